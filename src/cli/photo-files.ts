/** The photos that a command line names: files as they are, folders with all that lies below. */
import { open, readdir, stat } from 'node:fs/promises';
import { extname, join } from 'node:path';
import { WobrelError } from '../core/errors';
import { inNameOrder } from '../core/name-order';
import { sniff, sniffHeic, SNIFF_BYTES } from '../server/intake';

const PHOTO_NAMES = new Set(['.jpg', '.jpeg', '.png', '.webp', '.avif', '.heic', '.heif', '.tif', '.tiff', '.gif']);

/** What was named, or lies in a folder that was: a photo, or a folder that can't be read with why. */
export type NamedPhoto = { readonly path: string; readonly fault: string | null };

/** By name or content; what can't be opened is one only by its name. */
async function looksLikePhoto(path: string): Promise<boolean> {
  if (PHOTO_NAMES.has(extname(path).toLowerCase())) return true;
  const file = await open(path).catch(() => null);
  if (!file) return false;
  try {
    const { buffer, bytesRead } = await file.read(Buffer.alloc(SNIFF_BYTES), 0, SNIFF_BYTES, 0);
    const head = buffer.subarray(0, bytesRead);
    return sniff(head) !== null || sniffHeic(head);
  } finally {
    await file.close();
  }
}

async function photosBelow(folder: string): Promise<NamedPhoto[]> {
  const entries = await readdir(folder, { withFileTypes: true }).catch(() => null);
  if (!entries) return [{ path: folder, fault: 'The folder may not be read.' }];
  const found: NamedPhoto[] = [];
  for (const entry of inNameOrder(entries, ({ name }) => name)) {
    if (entry.name.startsWith('.')) continue;
    const path = join(folder, entry.name);
    if (entry.isDirectory()) found.push(...(await photosBelow(path)));
    // Pipes and devices are no files; nor is what a link leads to looked into.
    else if (entry.isFile() && (await looksLikePhoto(path))) found.push({ path, fault: null });
  }
  return found;
}

/**
 * Every photo named by the paths, in their order; inside folders in the order of their names, leaving out
 * hidden files and those that are no photo by name or content.
 *
 * @throws WobrelError `no-such-file`
 */
export async function photoFiles(paths: readonly string[]): Promise<NamedPhoto[]> {
  const lists = await Promise.all(
    paths.map(async (path) => {
      const kind = await stat(path).catch(() => {
        throw new WobrelError('no-such-file', `no such file or folder: ${path}`, path);
      });
      return kind.isDirectory() ? photosBelow(path) : [{ path, fault: null }];
    }),
  );
  return lists.flat();
}
