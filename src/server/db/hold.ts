/** One process at a time works in a folder: two would take up each other's jobs, and clear away what the other is writing. */
import { join } from 'node:path';
import { WobrelError } from '../../core/errors';
import { openFile } from './client';

/** Empty; only its lock counts. */
const FILE = 'in-use.db';

/**
 * Takes a folder that is there for this process. The lock is the system's, which lets go of it however the process ends.
 *
 * @returns lets go of it
 * @throws WobrelError `in-use`, or `cannot-write`
 */
export async function holdFolder(folder: string): Promise<() => void> {
  const client = openFile(join(folder, FILE), { patience: 0 });
  try {
    const lock = await client.transaction('write');
    return () => {
      lock.close();
      client.close();
    };
  } catch (error) {
    client.close();
    if ((error as { code?: string }).code !== 'SQLITE_BUSY') throw error;
    throw new WobrelError('in-use', `Another Wobrel works in ${folder}: end that one, or set WOBREL_DATA to another folder.`, folder); // prettier-ignore
  }
}
