import { z } from 'zod';
import { bodyOf, openRoutes, withCookies } from '@/server/http';
import { emailSchema, passwordSchema, personNameSchema, signIn, turnOn } from '@/server/people';

const first = z.strictObject({ name: personNameSchema, email: emailSchema, password: passwordSchema });

export const { GET, POST, PUT, PATCH, DELETE } = openRoutes({
  /** Turns signing in on: the first person, who is signed in at once. */
  POST: async ({ request }) => {
    const { name, email, password } = await bodyOf(request, first);
    await turnOn(name, email, password);
    return withCookies(await signIn(request.headers, email, password));
  },
});
