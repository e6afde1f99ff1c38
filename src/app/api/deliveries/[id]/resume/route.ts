import { numberOf, route } from '@/server/http';
import { deliveries } from '@/server/services';

export const POST = route(async (_, { id }) => deliveries.resumeDelivery(numberOf(id)));
