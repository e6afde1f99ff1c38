import { z } from 'zod';
import { WobrelError } from '@/core/errors';
import { bodyOf, numberOf, routes } from '@/server/http';
import { receiveFiles } from '@/server/intake';
import { batches, photos } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async (request, { id }) => {
    const query = new URL(request.url).searchParams;
    const limit = Math.min(numberOf(query.get('limit'), photos.PAGE_LIMIT), photos.PAGE_LIMIT);
    return photos.listPhotos(numberOf(id), numberOf(query.get('offset'), 0), limit);
  },
  POST: async (request, { id }) => {
    const batchId = numberOf(id);
    await batches.batchRow(batchId);
    if (!request.body || !request.headers.get('content-type')?.startsWith('multipart/form-data'))
      throw new WobrelError('invalid', 'Photos are sent as multipart/form-data.');
    const received: photos.Received[] = [];
    await receiveFiles(request.body, request.headers, async (arrival) => {
      received.push(await photos.takePhoto(batchId, arrival));
    });
    return { received };
  },
  PATCH: async (request, { id }) => {
    const { changes } = await bodyOf(request, z.strictObject({ changes: photos.photoChangesSchema }));
    await photos.changePhotos(numberOf(id), changes);
  },
  DELETE: async (request, { id }) => {
    const { ids } = await bodyOf(request, z.strictObject({ ids: z.array(z.int()).min(1).max(20_000) }));
    await photos.removePhotos(numberOf(id), ids);
  },
});
