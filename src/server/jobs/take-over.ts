/** Files of an earlier delivery that are what a new one wants. */
import { constants } from 'node:fs';
import { copyFile, link, mkdir, rename } from 'node:fs/promises';
import { dirname } from 'node:path';
import { digestFile } from '../store';

/** A file as it was noted when it was made. */
export type KnownFile = { readonly path: string; readonly sha256: string };

/** One more name for the same bytes; where the disk can't, a copy, made aside. */
async function linkOrCopy(from: string, to: string): Promise<void> {
  try {
    await link(from, to);
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (code === 'EEXIST') return;
    await copyFile(from, `${to}.part`, constants.COPYFILE_FICLONE);
    await rename(`${to}.part`, to);
  }
}

/**
 * Puts an earlier file under a new name, if it still is what was noted of it; nothing is ever written into either.
 *
 * @returns false where it is not, and has to be made
 */
export async function takeOver({ path, sha256 }: KnownFile, to: string): Promise<boolean> {
  try {
    if ((await digestFile(path)).sha256 !== sha256) return false;
    await mkdir(dirname(to), { recursive: true });
    await linkOrCopy(path, to);
    return true;
  } catch {
    // Whatever is wrong with it, it can be made: what keeps that from being written is told then.
    return false;
  }
}
