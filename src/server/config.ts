/** Where things are kept and what is let in. */
import { availableParallelism } from 'node:os';
import { resolve } from 'node:path';

/** Folder of all that the application keeps: database, photos, proxies, deliveries. */
export const dataFolder = () => resolve(/*turbopackIgnore: true*/ process.env.WOBREL_DATA ?? '.data');

/** Folder of the bundled workers. */
export const toolsFolder = () => resolve(/*turbopackIgnore: true*/ process.cwd(), 'dist');

/** Most bytes of one uploaded file. */
export const MAX_FILE_BYTES = 400 * 1024 * 1024;

/** Longest side of the two proxies in pixels. */
export const PROXY_SIZES = [512, 2048] as const;
export type ProxySize = (typeof PROXY_SIZES)[number];

/** Threads that render: one a core. */
export const renderThreads = () => Math.max(1, Number(process.env.WOBREL_THREADS ?? availableParallelism()));
