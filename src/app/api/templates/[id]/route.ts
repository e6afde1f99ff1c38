import { bodyOf, numberOf, routes } from '@/server/http';
import { templateCards, templates } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async (_, { id }) => templateCards.templateHistory(numberOf(id)),
  PATCH: async (request, { id }) =>
    templates.changeTemplate(numberOf(id), await bodyOf(request, templates.templateChangeSchema)),
  DELETE: async (_, { id }) => templates.deleteTemplate(numberOf(id)),
});
