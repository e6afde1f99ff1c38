/** Which program makes pixels and files. */
import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import { toolsFolder } from '../config';
import { oncePerProcess } from '../once';

/**
 * The same for the same program. The worker's file names all that it is bundled with by its content,
 * so that its own bytes stand for everything; encoders are told by their versions.
 */
export const renderStamp = (): Promise<string> =>
  oncePerProcess('render-stamp', async () => {
    const worker = await readFile(join(toolsFolder(), 'render-worker.mjs'));
    return createHash('sha256').update(worker).update(JSON.stringify(sharp.versions)).digest('hex');
  });
