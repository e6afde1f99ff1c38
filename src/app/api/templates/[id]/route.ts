import { bodyOf, numberOf, routes } from '@/server/http';
import { templateCards, templates } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async ({ here, id }) => templateCards.templateHistory(here, numberOf(id)),
  PATCH: async ({ here, request, id }) =>
    templates.changeTemplate(here, numberOf(id), await bodyOf(request, templates.templateChangeSchema)),
  DELETE: async ({ here, id }) => templates.deleteTemplate(here, numberOf(id)),
});
