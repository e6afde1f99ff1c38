/** The demo's photos, for those who have none at hand. */
import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { WobrelError } from '../../core/errors';

const folder = () => join(/*turbopackIgnore: true*/ process.cwd(), 'demo/photos/portraits');

/** File names of the made-up makers' portraits. */
export const demoNames = async (): Promise<string[]> => (await readdir(folder())).sort();

/** One of them, by its name: only one that lies there is opened. */
export async function demoPhoto(name: string | undefined): Promise<Buffer> {
  const file = (await demoNames()).find((one) => one === name);
  if (!file) throw new WobrelError('not-found', 'There is no such demo photo.');
  return readFile(join(folder(), file));
}
