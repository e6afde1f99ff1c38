import { bodyOf, numberOf, routes } from '@/server/http';
import { shapes } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  PUT: async ({ here, request, id }) =>
    shapes.changeShape(here, numberOf(id), await bodyOf(request, shapes.savedShapeSchema)),
  DELETE: async ({ here, id }) => shapes.deleteShape(here, numberOf(id)),
});
