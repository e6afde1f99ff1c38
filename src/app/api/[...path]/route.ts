import { WobrelError } from '@/core/errors';
import { routes } from '@/server/http';

const nothing = async (): Promise<never> => {
  throw new WobrelError('not-found', 'There is nothing at this address.');
};

/** Addresses below /api that no other route has. */
export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: nothing,
  POST: nothing,
  PUT: nothing,
  PATCH: nothing,
  DELETE: nothing,
});
