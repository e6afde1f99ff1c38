import { bodyOf, routes } from '@/server/http';
import { shapes } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async ({ here }) => shapes.listShapes(here),
  POST: async ({ here, request }) => shapes.saveShape(here, await bodyOf(request, shapes.savedShapeSchema)),
});
