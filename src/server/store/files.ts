/** Files written whole or not at all. */
import { createHash, randomUUID } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { lstat, mkdir, open, rename, rm, stat } from 'node:fs/promises';
import { dirname, join, resolve } from 'node:path';
import { WobrelError } from '../../core/errors';

const FULL_OR_FORBIDDEN: Readonly<Record<string, string>> = {
  ENOSPC: 'the disk is full',
  EDQUOT: 'the disk quota is used up',
  EFBIG: 'the file is larger than the disk takes',
  EACCES: 'the folder may not be written to',
  EPERM: 'the folder may not be written to',
  EROFS: 'the disk is read-only',
  ENOTDIR: 'part of the path is a file, not a folder',
  EEXIST: 'part of the path is a file, not a folder',
};

/** Turns a failure to write into an error that says so; others pass unchanged. */
export function asWriteError(error: unknown, path: string): unknown {
  const code = (error as NodeJS.ErrnoException)?.code ?? '';
  const reason = FULL_OR_FORBIDDEN[code];
  return reason
    ? new WobrelError('cannot-write', `Nothing could be written to ${dirname(path)}: ${reason}.`, path)
    : error;
}

/**
 * Makes a folder and those above it, one by one: where none can be made, as below /proc, Node's recursive way goes on
 * for ever.
 *
 * @throws WobrelError `cannot-write` where it can't be made, or is no folder
 */
export async function makeFolder(path: string): Promise<void> {
  const missing: string[] = [];
  for (let at = resolve(path); ; at = dirname(at)) {
    // A link that leads nowhere is there, and is no folder.
    const found = await lstat(at).catch(() => null);
    if (found) break;
    missing.push(at);
  }
  try {
    for (const folder of missing.reverse())
      await mkdir(folder).catch((error: NodeJS.ErrnoException) => {
        if (error.code !== 'EEXIST') throw error;
      });
    if ((await stat(path)).isDirectory()) return;
  } catch (error) {
    const told = asWriteError(error, join(path, 'any'));
    if (told instanceof WobrelError) throw told;
  }
  throw new WobrelError('cannot-write', `Nothing could be written to ${path}: it can’t be made a folder.`, path);
}

/** A new file; its folder is made where it is missing, which is asked only then. */
async function openNew(path: string) {
  try {
    return await open(path, 'wx');
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ENOENT') throw error;
    await mkdir(dirname(path), { recursive: true });
    return open(path, 'wx');
  }
}

/**
 * Writes aside, then renames: a reader sees the whole file or none.
 *
 * @throws WobrelError `cannot-write` where the disk is full or the folder is not writable
 */
export async function writeWhole(path: string, data: Uint8Array | string): Promise<void> {
  const aside = `${path}.${randomUUID().slice(0, 8)}.part`;
  try {
    const file = await openNew(aside);
    try {
      await file.writeFile(data);
      await file.sync();
    } finally {
      await file.close();
    }
    await rename(aside, path);
  } catch (error) {
    // Where nothing can be written there may be nothing to remove either; the first error is the one to tell.
    await rm(aside, { force: true }).catch(() => {});
    throw asWriteError(error, path);
  }
}

/** SHA-256 in hex and length of a file, read as a stream. */
export async function digestFile(path: string): Promise<{ sha256: string; bytes: number }> {
  const hash = createHash('sha256');
  let bytes = 0;
  for await (const chunk of createReadStream(path)) {
    hash.update(chunk as Buffer);
    bytes += (chunk as Buffer).length;
  }
  return { sha256: hash.digest('hex'), bytes };
}

export const sha256Of = (data: Uint8Array) => createHash('sha256').update(data).digest('hex');
