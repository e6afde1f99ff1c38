/** Parts that the settings of several kinds share. */
import { z } from 'zod';

/** An address on the web. */
export const addressSchema = z.url({ protocol: /^https?$/, error: 'expected an address that begins with http:// or https://' }); // prettier-ignore

/** A key or password: as it is, or the name of the variable of the server's environment that holds it. */
export const secretSchema = z
  .union([z.string().min(1), z.strictObject({ env: z.string().min(1) })])
  .transform((secret, context) => {
    if (typeof secret === 'string') return secret;
    const found = process.env[secret.env];
    if (found) return found;
    context.addIssue({ code: 'custom', message: `the server’s environment has no ${secret.env}` });
    return z.NEVER;
  });

/** Without what is not for everyone's eyes. */
export function plainAddress(address: string): string {
  const { origin, pathname } = new URL(address);
  return origin + (pathname === '/' ? '' : pathname);
}
