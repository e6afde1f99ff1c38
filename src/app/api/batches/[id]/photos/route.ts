import { z } from 'zod';
import { bodyOf, numberOf, routes } from '@/server/http';
import { receiveFiles } from '@/server/intake';
import { photos } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async ({ here, request, id }) => {
    const query = new URL(request.url).searchParams;
    const ids = query.get('ids');
    if (ids !== null)
      return {
        photos: await photos.somePhotos(
          here,
          numberOf(id),
          ids.split(',').map((one) => numberOf(one)),
        ),
      };
    const limit = Math.min(numberOf(query.get('limit'), photos.PAGE_LIMIT), photos.PAGE_LIMIT);
    return photos.listPhotos(here, numberOf(id), numberOf(query.get('offset'), 0), limit);
  },
  POST: async ({ here, request, id }) => {
    const batchId = numberOf(id);
    await photos.readyForPhotos(here, batchId);
    const received: photos.Received[] = [];
    await receiveFiles(here, request, async (arrival) => {
      received.push(await photos.takePhoto(here, batchId, arrival));
    });
    return { received };
  },
  PATCH: async ({ here, request, id }) => {
    const { changes } = await bodyOf(request, z.strictObject({ changes: photos.photoChangesSchema }));
    return photos.changePhotos(here, numberOf(id), changes);
  },
  DELETE: async ({ here, request, id }) => {
    const { ids } = await bodyOf(request, z.strictObject({ ids: z.array(z.int()).min(1).max(20_000) }));
    await photos.removePhotos(here, numberOf(id), ids);
  },
});
