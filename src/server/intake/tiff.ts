/** What a TIFF's first directory tells that its decoder does not: it fills in missing pixels, and takes a camera's preview for the picture, without a word. */
import { open, type FileHandle } from 'node:fs/promises';

/** Tags of TIFF 6.0 (Adobe 1992) §8 and §15: where strips and tiles lie, and how long they are. */
const PLACES = [273, 324];
const LENGTHS = [279, 325];

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

/** The fields of the first picture by their tags, and the file's size. */
type Directory = { readonly reader: Reader; readonly fields: ReadonlyMap<number, Buffer>; readonly size: number };

async function directoryOf(file: FileHandle): Promise<Directory> {
  const { size } = await file.stat();
  const head = Buffer.alloc(16);
  await file.read(head, 0, 16, 0);
  const reader = readerOf(file, head);
  const { number, bytes, big } = reader;
  const start = big ? number(head, 8, 8) : number(head, 4, 4);
  const [width, entrySize] = big ? [8, 20] : [2, 12];
  const count = number(await bytes(start, width), 0, width);
  if (count > MOST) throw new RangeError('not a list of fields');
  const list = await bytes(start + width, count * entrySize);
  const entries = Array.from({ length: count }, (_, i) => list.subarray(i * entrySize, (i + 1) * entrySize));
  return { reader, fields: new Map(entries.map((entry) => [number(entry, 0, 2), entry])), size };
}

/** Asks something of the first picture's fields; what can't be read has an answer, too. */
async function askFirst<T>(path: string, ask: (first: Directory) => Promise<T>, unreadable: T): Promise<T> {
  const file = await open(path);
  try {
    return await ask(await directoryOf(file));
  } catch (error) {
    if (error instanceof RangeError) return unreadable;
    throw error;
  } finally {
    await file.close();
  }
}

const valuesAt = async ({ reader, fields }: Directory, tags: readonly number[]): Promise<number[]> => {
  const entry = tags.map((tag) => fields.get(tag)).find((found) => found !== undefined);
  return entry ? valuesOf(reader, entry) : [];
};

/** True where every strip and tile of the first picture lies within the file; what can't be read counts as cut short. */
export const tiffIsWhole = (path: string): Promise<boolean> =>
  askFirst(
    path,
    async (first) => {
      const [places, lengths] = [await valuesAt(first, PLACES), await valuesAt(first, LENGTHS)];
      return places.length > 0 && places.every((place, i) => place + (lengths[i] ?? 0) <= first.size);
    },
    false,
  );

/** NewSubfileType (TIFF 6.0 §8), whose lowest bit says: a smaller copy of another picture in this file; SubIFDs (Adobe's TIFF Technical Note 1); DNGVersion (Adobe DNG 1.7). */
const [SUBFILE_TYPE, SUB_DIRECTORIES, DNG_VERSION] = [254, 330, 50706];

/** True for a camera's raw file in TIFF's clothes: its first picture, which a decoder of TIFF gives, is a small copy of what it holds. */
export const tiffIsRaw = (path: string): Promise<boolean> =>
  askFirst(
    path,
    async (first) => {
      const [kind = 0] = await valuesAt(first, [SUBFILE_TYPE]);
      return first.fields.has(DNG_VERSION) || (kind % 2 === 1 && first.fields.has(SUB_DIRECTORIES));
    },
    false,
  );
