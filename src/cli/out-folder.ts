/** The folder that a run writes into: made ready, and nobody else's meanwhile. */
import { open, readdir, readFile, rename, rm } from 'node:fs/promises';
import { join, relative, sep } from 'node:path';
import { WobrelError } from '../core/errors';
import { asWriteError, makeFolder } from '../server/store';

/** Holds the number of the process that writes into the folder. */
const CLAIM = '.wobrel-run';

const isRunning = (pid: number): boolean => {
  try {
    return pid > 0 && process.kill(pid, 0);
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
};

/** Claims the folder for this run; a claim whose process is gone is taken over. */
async function claim(out: string): Promise<void> {
  const path = join(out, CLAIM);
  for (let tries = 0; ; tries++) {
    const file = await open(path, 'wx').catch((error: NodeJS.ErrnoException) => {
      if (error.code === 'EEXIST' && tries < 2) return null;
      throw error;
    });
    if (file) {
      await file.writeFile(String(process.pid)).finally(() => file.close());
      return;
    }
    const owner = Number(await readFile(path, 'utf8').catch(() => '0'));
    if (isRunning(owner))
      throw new WobrelError('cannot-write', `Another run is writing into ${out} at the moment.`, out);
    await rm(path, { force: true });
  }
}

export type OutFolder = {
  /** Names of files that are there already, those in folders with their paths. */
  readonly names: readonly string[];
  /** Lets go of the folder. */
  readonly release: () => Promise<void>;
};

/** Any trouble in one sentence. */
function asTrouble(error: unknown, out: string): unknown {
  if (error instanceof WobrelError) return error;
  const told = asWriteError(error, join(out, 'manifest.json'));
  return told instanceof WobrelError
    ? told
    : new WobrelError('cannot-write', `Nothing could be written to ${out}: it can’t be made a folder.`, out);
}

/** What is in a folder; of folders within, where they are looked into, only their files. */
async function namesIn(out: string, isDeep: boolean): Promise<string[]> {
  if (!isDeep) return readdir(out);
  const entries = await readdir(out, { recursive: true, withFileTypes: true });
  return entries
    .filter((entry) => !entry.isDirectory())
    .map((entry) => relative(out, join(entry.parentPath, entry.name)).replaceAll(sep, '/'));
}

/** Moves an earlier manifest out of the way; the folder's names after that. */
async function withoutManifest(out: string, isDeep: boolean): Promise<string[]> {
  const names = await namesIn(out, isDeep);
  if (!names.includes('manifest.json')) return names;
  let n = 1;
  while (names.includes(`manifest-earlier-${n}.json`)) n++;
  await rename(join(out, 'manifest.json'), join(out, `manifest-earlier-${n}.json`));
  return [...names, `manifest-earlier-${n}.json`];
}

/**
 * The folder made ready, an earlier manifest moved out of the way.
 *
 * @param isDeep whether files go into folders within it
 * @throws WobrelError `cannot-write`
 */
export async function prepareFolder(out: string, isDeep = false): Promise<OutFolder> {
  if (out.trim() === '') throw new WobrelError('cannot-write', 'error: option --out names no folder');
  try {
    await makeFolder(out);
    await claim(out);
    const release = () => rm(join(out, CLAIM), { force: true });
    try {
      return { names: await withoutManifest(out, isDeep), release };
    } catch (error) {
      await release();
      throw error;
    }
  } catch (error) {
    throw asTrouble(error, out);
  }
}
