import { z } from 'zod';
import { bodyOf, numberOf, routes } from '@/server/http';
import { templates } from '@/server/services';

const revision = z.int().min(0);

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  /** Saves the batch's template under a name. */
  POST: async ({ here, request, id }) => {
    const asked = await bodyOf(
      request,
      z.strictObject({
        name: templates.templateNameSchema,
        revision,
        note: templates.noteSchema.nullable().default(null),
      }),
    );
    return templates.saveTemplate(here, numberOf(id), asked.name, asked.revision, asked.note);
  },
  /** Puts a saved template on the batch. */
  PUT: async ({ here, request, id }) => {
    const asked = await bodyOf(
      request,
      z.strictObject({ templateId: z.int(), revision, template: z.unknown().optional() }),
    );
    await templates.applyTemplate(here, numberOf(id), asked.templateId, asked.revision, asked.template);
  },
});
