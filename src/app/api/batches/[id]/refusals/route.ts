import { numberOf, route } from '@/server/http';
import { batches } from '@/server/services';

export const DELETE = route(async (_, { id }) => batches.clearRefusals(numberOf(id)));
