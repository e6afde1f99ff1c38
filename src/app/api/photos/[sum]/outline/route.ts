import { pointingSchema } from '@/core/sight';
import { bodyOf, routes, sumOf } from '@/server/http';
import { subjects } from '@/server/services';

/** The outline of what somebody points at in a picture; with nothing pointed at, the picture is only made ready for it. */
export const { GET, POST, PUT, PATCH, DELETE } = routes({
  POST: async ({ here, request, sum }) => ({
    subject: await subjects.pointedAt(here, sumOf(sum), await bodyOf(request, pointingSchema)),
  }),
});
