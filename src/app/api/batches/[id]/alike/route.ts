import { z } from 'zod';
import { bodyOf, numberOf, routes } from '@/server/http';
import { subjects } from '@/server/services';

/** The subject of a photo that is like those pointed at in others of the batch. */
export const { GET, POST, PUT, PATCH, DELETE } = routes({
  POST: async ({ here, request, id }) => {
    const { photo } = await bodyOf(request, z.strictObject({ photo: z.int() }));
    return { subject: await subjects.foundAlike(here, numberOf(id), photo) };
  },
});
