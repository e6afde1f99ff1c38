import { z } from 'zod';
import { bodyOf, openRoutes, withCookies } from '@/server/http';
import { enterWorkspace, signIn, signOut, whoIsHere } from '@/server/people';

const signInSchema = z.strictObject({
  email: z.string().trim().toLowerCase().max(200),
  password: z.string().max(1000),
});

export const { GET, POST, PUT, PATCH, DELETE } = openRoutes({
  /** Whether people sign in, and who has. */
  GET: async ({ request }) => whoIsHere(request.headers),
  POST: async ({ request }) => {
    const { email, password } = await bodyOf(request, signInSchema);
    return withCookies(await signIn(request.headers, email, password));
  },
  /** Goes to another workspace. */
  PATCH: async ({ request }) => {
    const { workspace } = await bodyOf(request, z.strictObject({ workspace: z.int() }));
    await enterWorkspace(request.headers, workspace);
  },
  DELETE: async ({ request }) => withCookies(await signOut(request.headers)),
});
