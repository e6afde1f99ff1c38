/** A delivery's files as a zip. */
import { makeZip } from 'client-zip';
import type { Readable } from 'node:stream';
import type { ZipEntry } from './deliveries';

/** Bytes given on at a time: of thousands of small files each piece would be a write of its own. */
const PIECE = 256 * 1024;

/** Files are opened one after the other as the zip is taken; where nobody takes the rest, the one that is open is closed. */
export function zipStream(entries: readonly ZipEntry[]): ReadableStream<Uint8Array> {
  let opened: Readable | string = '';
  async function* files() {
    for (const { input, ...entry } of entries) {
      opened = input();
      yield { ...entry, input: opened };
    }
  }
  const zip = makeZip(files()).getReader();
  /** At least so many bytes, fewer where it ends. */
  const next = async (least: number): Promise<Buffer> => {
    const parts: Uint8Array[] = [];
    for (let length = 0; length < least; length += parts.at(-1)!.length) {
      const { done, value } = await zip.read();
      if (done) break;
      parts.push(value);
    }
    return Buffer.concat(parts);
  };
  // The first piece goes at once: browsers wait for it to say that something comes.
  let least = 1;
  return new ReadableStream({
    pull: async (controller) => {
      const bytes = await next(least);
      least = PIECE;
      if (bytes.length === 0) controller.close();
      else controller.enqueue(bytes);
    },
    // The library leaves it open, and fails with the reason that it is given.
    cancel: async (reason) => {
      await zip.cancel(reason).catch(() => undefined);
      if (typeof opened !== 'string') opened.destroy();
    },
  });
}
