import { numberOf, route } from '@/server/http';
import { deliveries } from '@/server/services';

export const GET = route(async (_, { id }) => ({ deliveries: await deliveries.listDeliveries(numberOf(id)) }));

export const POST = route(async (_, { id }) => ({ id: await deliveries.startDelivery(numberOf(id)) }));
