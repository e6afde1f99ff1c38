/** Whether a TIFF's pixels are all there: the decoder fills in what is missing without a word. */
import { open, type FileHandle } from 'node:fs/promises';

/** Tags of TIFF 6.0 (Adobe 1992) §8 and §15: where strips and tiles lie, and how long they are. */
const PLACES = new Set([273, 324]);
const LENGTHS = new Set([279, 325]);

/** Bytes of a value by its type: SHORT, LONG, LONG8 (BigTIFF). */
const SIZES: Readonly<Record<number, number>> = { 3: 2, 4: 4, 16: 8 };

/** More pieces than this, or more fields, no camera or program writes. */
const MOST = 1_000_000;

type Reader = {
  readonly number: (bytes: Buffer, at: number, size: number) => number;
  readonly bytes: (at: number, length: number) => Promise<Buffer>;
  readonly big: boolean;
};

function readerOf(file: FileHandle, head: Buffer): Reader {
  const little = head.toString('latin1', 0, 2) === 'II';
  const number = (bytes: Buffer, at: number, size: number) => {
    if (size === 8) return Number(little ? bytes.readBigUInt64LE(at) : bytes.readBigUInt64BE(at));
    return little ? bytes.readUIntLE(at, size) : bytes.readUIntBE(at, size);
  };
  const bytes = async (at: number, length: number) => {
    const { buffer, bytesRead } = await file.read(Buffer.alloc(length), 0, length, at);
    if (bytesRead < length) throw new RangeError('beyond the end of the file');
    return buffer;
  };
  return { number, bytes, big: number(head, 2, 2) === 43 };
}

/** A field's values: in the entry itself where they fit, else where it points. */
async function valuesOf({ number, bytes, big }: Reader, entry: Buffer): Promise<number[]> {
  const [room, at] = big ? [8, 12] : [4, 8];
  const size = SIZES[number(entry, 2, 2)];
  const count = number(entry, 4, big ? 8 : 4);
  if (!size || count > MOST) throw new RangeError('not a list of places');
  const list = size * count <= room ? entry.subarray(at) : await bytes(number(entry, at, room), size * count);
  return Array.from({ length: count }, (_, i) => number(list, i * size, size));
}

/** True where every strip and tile of the first picture lies within the file; what can't be read counts as cut short. */
export async function tiffIsWhole(path: string): Promise<boolean> {
  const file = await open(path);
  try {
    const { size } = await file.stat();
    const head = Buffer.alloc(16);
    await file.read(head, 0, 16, 0);
    const reader = readerOf(file, head);
    const { number, bytes, big } = reader;
    const start = big ? number(head, 8, 8) : number(head, 4, 4);
    const [width, entrySize] = big ? [8, 20] : [2, 12];
    const count = number(await bytes(start, width), 0, width);
    if (count > MOST) return false;
    const fields = await bytes(start + width, count * entrySize);
    let [places, lengths]: number[][] = [[], []];
    for (let i = 0; i < count; i++) {
      const entry = fields.subarray(i * entrySize, (i + 1) * entrySize);
      const tag = number(entry, 0, 2);
      if (PLACES.has(tag)) places = await valuesOf(reader, entry);
      else if (LENGTHS.has(tag)) lengths = await valuesOf(reader, entry);
    }
    return places!.length > 0 && places!.every((place, i) => place + (lengths![i] ?? 0) <= size);
  } catch (error) {
    if (error instanceof RangeError) return false;
    throw error;
  } finally {
    await file.close();
  }
}
