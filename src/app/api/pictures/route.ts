import { WobrelError } from '@/core/errors';
import { routes } from '@/server/http';
import { receiveFiles } from '@/server/intake';
import { pictures } from '@/server/services';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async ({ here }) => ({ pictures: await pictures.listPictures(here) }),
  POST: async ({ here, request }) => {
    pictures.readyForPictures(here);
    if (!request.body || !request.headers.get('content-type')?.startsWith('multipart/form-data'))
      throw new WobrelError('invalid', 'Pictures are sent as multipart/form-data.');
    const kept: object[] = [];
    await receiveFiles(here, request.body, request.headers, async (arrival) => {
      kept.push(await pictures.takePicture(here, arrival));
    });
    return { pictures: kept };
  },
});
