import { z } from 'zod';
import { bodyOf, numberOf, routes } from '@/server/http';
import { templates } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  PATCH: async (request, { id }) => {
    const { name } = await bodyOf(request, z.strictObject({ name: templates.templateNameSchema }));
    await templates.renameTemplate(numberOf(id), name);
  },
  DELETE: async (_, { id }) => templates.deleteTemplate(numberOf(id)),
});
