import { z } from 'zod';
import { bodyOf, openRoutes } from '@/server/http';
import { changePassword, passwordSchema, choosePassword } from '@/server/people';

export const { GET, POST, PUT, PATCH, DELETE } = openRoutes({
  /** Chooses a password by a one-time link. */
  POST: async ({ request }) => {
    const { token, password } = await bodyOf(
      request,
      z.strictObject({ token: z.string().min(1).max(200), password: passwordSchema }),
    );
    await choosePassword(request.headers, token, password);
  },
  /** Changes one's own. */
  PUT: async ({ request }) => {
    const { old, password } = await bodyOf(
      request,
      z.strictObject({ old: z.string().max(1000), password: passwordSchema }),
    );
    await changePassword(request.headers, old, password);
  },
});
