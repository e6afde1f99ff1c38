/** A delivery's files as a zip. */
import { makeZip } from 'client-zip';
import type { Readable } from 'node:stream';
import type { ZipEntry } from './deliveries';

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
  return new ReadableStream({
    pull: async (controller) => {
      const { done, value } = await zip.read();
      if (done) controller.close();
      else controller.enqueue(value);
    },
    // The library leaves it open, and fails with the reason that it is given.
    cancel: async (reason) => {
      await zip.cancel(reason).catch(() => undefined);
      if (typeof opened !== 'string') opened.destroy();
    },
  });
}
