import { WobrelError } from '@/core/errors';
import { routes } from '@/server/http';
import { receiveFiles } from '@/server/intake';
import { pictures } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async () => ({ pictures: await pictures.listPictures() }),
  POST: async (request) => {
    if (!request.body || !request.headers.get('content-type')?.startsWith('multipart/form-data'))
      throw new WobrelError('invalid', 'Pictures are sent as multipart/form-data.');
    const kept: object[] = [];
    await receiveFiles(request.body, request.headers, async (arrival) => {
      kept.push(await pictures.takePicture(arrival));
    });
    return { pictures: kept };
  },
});
