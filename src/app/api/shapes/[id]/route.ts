import { bodyOf, numberOf, route } from '@/server/http';
import { shapes } from '@/server/services';

export const PUT = route(async (request, { id }) =>
  shapes.changeShape(numberOf(id), await bodyOf(request, shapes.savedShapeSchema)),
);

export const DELETE = route(async (_, { id }) => shapes.deleteShape(numberOf(id)));
