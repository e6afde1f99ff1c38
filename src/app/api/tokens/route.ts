import { bodyOf, routes } from '@/server/http';
import { listTokens, makeToken, tokenSchema } from '@/server/people';

export const { GET, POST, PUT, PATCH, DELETE } = routes({
  GET: async ({ here }) => ({ tokens: await listTokens(here) }),
  POST: async ({ here, request }) => makeToken(here, await bodyOf(request, tokenSchema)),
});
