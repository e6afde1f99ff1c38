import { z } from 'zod';
import { bodyOf, queryOf, routes } from '@/server/http';
import { templateCards, templates } from '@/server/services';

const newSchema = z.strictObject({
  template: z.unknown(),
  /** True where it may become a version of the template that goes by its name. */
  asVersion: z.boolean().default(false),
  note: templates.noteSchema.nullable().default(null),
});

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async ({ here, request }) =>
    new URL(request.url).searchParams.size === 0
      ? { templates: await templates.listTemplates(here) }
      : templateCards.listCards(here, queryOf(request, templateCards.cardsSchema)),
  POST: async ({ here, request }) => {
    const { template, asVersion, note } = await bodyOf(request, newSchema);
    return templates.createTemplate(here, template, asVersion, note);
  },
});
