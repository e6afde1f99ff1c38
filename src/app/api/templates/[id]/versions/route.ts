import { z } from 'zod';
import { bodyOf, numberOf, routes } from '@/server/http';
import { templates } from '@/server/services';

/** An older version once more, as the newest. */
export const { GET, POST, PUT, PATCH, DELETE } = routes({
  POST: async ({ here, request, id }) => {
    const { version } = await bodyOf(request, z.strictObject({ version: z.int().min(1) }));
    return templates.bringBack(here, numberOf(id), version);
  },
});
