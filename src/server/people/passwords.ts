/** What is taken as a password: long rather than odd, and none that everybody tries first (OWASP ASVS 5.0, 6.2). */
import { dictionary } from '@zxcvbn-ts/language-common';
import { z } from 'zod';

export const MIN_PASSWORD = 12;
export const MAX_PASSWORD = 200;

/** About 49,000 passwords in the order in which they are found in leaks (ASVS 6.2.4 asks for the first 3,000). */
const common: () => ReadonlySet<string> = (() => {
  let set: ReadonlySet<string> | null = null;
  return () => (set ??= new Set(dictionary['passwords-common']));
})();

/** Taken as it is typed: neither cut nor changed, of any letters (ASVS 6.2.5 and 6.2.8). */
export const passwordSchema = z
  .string()
  .min(MIN_PASSWORD, { error: `a password has ${MIN_PASSWORD} letters or more: a few words do well` })
  .max(MAX_PASSWORD, { error: `a password has at most ${MAX_PASSWORD} letters` })
  .refine((text) => !common().has(text.toLowerCase()), { error: 'this password is one that everybody tries first' });

export const emailSchema = z
  .email({ error: 'this is not an e-mail address' })
  .max(200)
  .transform((text) => text.toLowerCase());
export const personNameSchema = z.string().trim().min(1, { error: 'a person needs a name' }).max(80);
