import { bodyOf, routes } from '@/server/http';
import { shapes } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async () => shapes.listShapes(),
  POST: async (request) => shapes.saveShape(await bodyOf(request, shapes.savedShapeSchema)),
});
