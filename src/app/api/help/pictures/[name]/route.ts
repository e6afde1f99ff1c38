import { pictureOf } from '@/server/help';
import { routes } from '@/server/http';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async ({ name }) =>
    new Response(new Uint8Array(await pictureOf(name)), { headers: { 'content-type': 'image/png' } }),
});
