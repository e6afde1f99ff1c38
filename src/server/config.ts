/** Where things are kept and what is let in. */
import { availableParallelism } from 'node:os';
import { resolve } from 'node:path';
import { z } from 'zod';
import { WobrelError } from '../core/errors';
import { faultOf, inWords } from '../core/issue-words';

/** What the environment may set, with what goes without. */
const SETTINGS = {
  HOST: z.string().default('127.0.0.1'),
  PORT: z.coerce.number().int().min(0).max(65_535).default(4310),
  WOBREL_DATA: z.string().default('.data'),
  WOBREL_HOSTS: z.string().default(''),
  WOBREL_THREADS: z.coerce.number().int().min(1).max(1024).optional(),
  WOBREL_URL: z.url({ protocol: /^https?$/, error: 'must be an address that begins with http:// or https://' }).optional(), // prettier-ignore
} as const;

/**
 * A setting of the environment. One that is empty is not set.
 *
 * @throws WobrelError `bad-setting`
 */
export function setting<Name extends keyof typeof SETTINGS>(name: Name): z.output<(typeof SETTINGS)[Name]> {
  const value = process.env[name]?.trim() || undefined;
  const { data, error } = SETTINGS[name].safeParse(value, { error: inWords });
  if (error) throw new WobrelError('bad-setting', `${name}=${value}: ${faultOf(error).message}`, name);
  return data as z.output<(typeof SETTINGS)[Name]>;
}

/** Reads all of them. @throws WobrelError `bad-setting` */
export const checkSettings = (): void => (Object.keys(SETTINGS) as (keyof typeof SETTINGS)[]).forEach(setting);

/** Folder of all that the application keeps: database, photos, proxies, deliveries. */
export const dataFolder = () => resolve(/*turbopackIgnore: true*/ setting('WOBREL_DATA'));

/** Folder of the bundled workers. */
export const toolsFolder = () => resolve(/*turbopackIgnore: true*/ process.cwd(), 'dist');

/** Most bytes of one uploaded file. */
export const MAX_FILE_BYTES = 400 * 1024 * 1024;

/** Longest side of the two proxies in pixels. */
export const PROXY_SIZES = [512, 2048] as const;
export type ProxySize = (typeof PROXY_SIZES)[number];

/** Threads that render: one a core. */
export const renderThreads = () => setting('WOBREL_THREADS') ?? availableParallelism();
