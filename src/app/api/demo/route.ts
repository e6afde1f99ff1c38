import { demoNames } from '@/server/help';
import { routes } from '@/server/http';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async () => ({ names: await demoNames() }),
});
