import { z } from 'zod';
import { bodyOf, numberOf, route } from '@/server/http';
import { templates } from '@/server/services';

/** Saves the batch's template under a name. */
export const POST = route(async (request, { id }) => {
  const { name } = await bodyOf(request, z.strictObject({ name: templates.templateNameSchema }));
  return templates.saveTemplate(numberOf(id), name);
});

/** Puts a saved template on the batch. */
export const PUT = route(async (request, { id }) => {
  const { templateId } = await bodyOf(request, z.strictObject({ templateId: z.int() }));
  await templates.applyTemplate(numberOf(id), templateId);
});
