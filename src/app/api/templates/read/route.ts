import { z } from 'zod';
import { bodyOf, routes } from '@/server/http';
import { templates } from '@/server/services';

/** A document read and checked, and whether its name is taken; nothing is kept. */
export const { GET, POST, PUT, PATCH, DELETE } = routes({
  POST: async ({ here, request }) => {
    const { template } = await bodyOf(request, z.strictObject({ template: z.unknown() }));
    return templates.readTemplate(here, template);
  },
});
