import { bodyOf, numberOf, routes } from '@/server/http';
import { shapes } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  PUT: async (request, { id }) => shapes.changeShape(numberOf(id), await bodyOf(request, shapes.savedShapeSchema)),
  DELETE: async (_, { id }) => shapes.deleteShape(numberOf(id)),
});
