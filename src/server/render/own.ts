/** What photos' own files say of them. Read in a thread: whatever is in them, only that one suffers. */
import { DOMParser } from '@xmldom/xmldom';
import ExifReader from 'exifreader';
import { open } from 'node:fs/promises';
import { ownFields, type Tags } from '../../core/metadata';

export type OwnTask = { readonly paths: readonly string[] };

/** Bytes of a file that are read at most: what is said stands near its beginning, but for some TIFFs. */
const MOST = 32 * 1024 * 1024;

async function beginningOf(path: string): Promise<Buffer> {
  const file = await open(path);
  try {
    const { size } = await file.stat();
    const buffer = Buffer.alloc(Math.min(size, MOST));
    const { bytesRead } = await file.read(buffer, 0, buffer.length, 0);
    return buffer.subarray(0, bytesRead);
  } finally {
    await file.close();
  }
}

/** For each file its fields; none where they can't be read. */
export async function ownTask({ paths }: OwnTask): Promise<readonly Readonly<Record<string, string>>[]> {
  const found: Readonly<Record<string, string>>[] = [];
  const domParser = new DOMParser({ onError: () => {} });
  for (const path of paths) {
    // Nothing that is wrong with what a file says of itself is worth a refusal.
    const tags = await beginningOf(path)
      .then((data) => ExifReader.load(data, { expanded: true, async: true, domParser }))
      .catch(() => ({}));
    found.push(ownFields(tags as unknown as Tags));
  }
  return found;
}
