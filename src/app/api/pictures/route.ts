import { z } from 'zod';
import { bodyOf, routes } from '@/server/http';
import { receiveFiles } from '@/server/intake';
import { pictures } from '@/server/services';

/** Instead of files: a photo of a batch by its number. */
const photoSchema = z.strictObject({ photo: z.int() });

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async ({ here }) => ({ pictures: await pictures.listPictures(here) }),
  POST: async ({ here, request }) => {
    pictures.readyForPictures(here);
    if (request.headers.get('content-type')?.startsWith('application/json')) {
      const { photo } = await bodyOf(request, photoSchema);
      return { pictures: [await pictures.pictureOfPhoto(here, photo)] };
    }
    const kept: object[] = [];
    await receiveFiles(here, request, async (arrival) => {
      kept.push(await pictures.takePicture(here, arrival));
    });
    return { pictures: kept };
  },
});
