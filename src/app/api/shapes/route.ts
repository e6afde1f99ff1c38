import { bodyOf, route } from '@/server/http';
import { shapes } from '@/server/services';

export const GET = route(async () => shapes.listShapes());

export const POST = route(async (request) => shapes.saveShape(await bodyOf(request, shapes.savedShapeSchema)));
