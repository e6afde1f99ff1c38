import { route } from '@/server/http';
import { deliveries } from '@/server/services';

export const GET = route(async () => ({ deliveries: await deliveries.listDeliveries(null) }));
