/** The files of a stand-in: a folder on the disk. */
import { createHash, randomUUID } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { mkdir, open, rename, rm, stat } from 'node:fs/promises';
import type { IncomingMessage } from 'node:http';
import { dirname, join, resolve, sep } from 'node:path';
import type { Fault } from './faults';

/** A file that is kept. */
export type Kept = { readonly bytes: number; readonly sha256: string };

/** Thrown where the line is to be broken. */
export class LineCut extends Error {}

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

/** The path of an address within the folder; null where it would lie outside. */
export function pathIn(folder: string, address: string): string | null {
  const name = decodeURIComponent(address);
  const path = resolve(join(folder, name));
  return path.startsWith(resolve(folder) + sep) && !name.includes('\0') ? path : null;
}

export async function keptAt(path: string): Promise<Kept | null> {
  const found = await stat(path).catch(() => null);
  if (!found?.isFile()) return null;
  const hash = createHash('sha256');
  for await (const chunk of createReadStream(path)) hash.update(chunk as Buffer);
  return { bytes: found.size, sha256: hash.digest('hex') };
}

/** Entity tag of a file's content (RFC 9110 §8.8.3). */
export const tagOf = ({ sha256 }: Kept) => `"${sha256.slice(0, 32)}"`;

/**
 * Keeps what comes.
 *
 * @param isDirect true writes straight under the name, as simple servers do: a broken line leaves half a file
 * @returns what was written, already in its place
 * @throws LineCut in the middle, where that is its fault
 */
export async function keep(request: IncomingMessage, path: string, fault: Fault, isDirect = false): Promise<Kept> {
  await mkdir(dirname(path), { recursive: true });
  const target = isDirect ? path : `${path}.${randomUUID()}.coming`;
  const half = Number(request.headers['content-length'] ?? 0) / 2;
  const hash = createHash('sha256');
  const file = await open(target, 'w');
  let bytes = 0;
  try {
    for await (const chunk of request) {
      if (fault.kind === 'cut' && bytes + (chunk as Buffer).length > half) {
        await file.write((chunk as Buffer).subarray(0, Math.max(1, Math.floor(half - bytes))));
        throw new LineCut();
      }
      await file.write(chunk as Buffer);
      hash.update(chunk as Buffer);
      bytes += (chunk as Buffer).length;
      if (fault.kind === 'slow') await pause(fault.pauseMs);
    }
  } catch (error) {
    await file.close();
    if (!isDirect) await rm(target, { force: true });
    throw error;
  }
  await file.close();
  if (!isDirect) await rename(target, path);
  return { bytes, sha256: hash.digest('hex') };
}
