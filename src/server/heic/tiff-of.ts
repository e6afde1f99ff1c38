/** Pixels with their profile as an encoder takes them: TIFF 6.0 (Adobe 1992), uncompressed, in one strip. */

/** Bytes of a value by its type: BYTE, SHORT, LONG, UNDEFINED. */
const SIZES = { 1: 1, 3: 2, 4: 4, 7: 1 } as const;

type Field = readonly [tag: number, type: keyof typeof SIZES, values: readonly number[] | Buffer];

export type Pixels = {
  readonly width: number;
  readonly height: number;
  /** RGB or RGBA. */
  readonly channels: 3 | 4;
  readonly pixels: Buffer;
};
export type Besides = { readonly icc: Buffer | null; readonly xmp: Buffer | null };

/** Where the pixels begin. */
const HEAD = 8;

function valuesOf([, type, values]: Field): Buffer {
  if (Buffer.isBuffer(values)) return values;
  const bytes = Buffer.alloc(values.length * SIZES[type]);
  values.forEach((value, i) => bytes.writeUIntLE(value, i * SIZES[type], SIZES[type]));
  return bytes;
}

/** A directory that stands at `start`, behind it what its entries have no room for. */
function directoryOf(fields: readonly Field[], start: number): Buffer {
  const directory = Buffer.alloc(2 + 12 * fields.length + 4);
  directory.writeUInt16LE(fields.length);
  const behind: Buffer[] = [];
  let next = start + directory.length;
  fields.forEach((field, i) => {
    const [tag, type] = field;
    const values = valuesOf(field);
    const at = 2 + 12 * i;
    directory.writeUInt16LE(tag, at);
    directory.writeUInt16LE(type, at + 2);
    directory.writeUInt32LE(values.length / SIZES[type], at + 4);
    if (values.length <= 4) return void values.copy(directory, at + 8);
    directory.writeUInt32LE(next, at + 8);
    // On even places (§2).
    behind.push(values, Buffer.alloc(values.length % 2));
    next += values.length + (values.length % 2);
  });
  return Buffer.concat([directory, ...behind]);
}

export function tiffOf({ width, height, channels, pixels }: Pixels, { icc, xmp }: Besides): Buffer {
  const start = HEAD + pixels.length + (pixels.length % 2);
  const fields: Field[] = [
    [256, 4, [width]],
    [257, 4, [height]],
    [258, 3, Array.from({ length: channels }, () => 8)],
    // Not compressed, RGB.
    [259, 3, [1]],
    [262, 3, [2]],
    [273, 4, [HEAD]],
    [277, 3, [channels]],
    [278, 4, [height]],
    [279, 4, [pixels.length]],
    // What is more than three is alpha by which nothing is multiplied.
    ...(channels === 4 ? [[338, 3, [2]] satisfies Field] : []),
    ...(xmp ? [[700, 1, xmp] satisfies Field] : []),
    ...(icc ? [[34675, 7, icc] satisfies Field] : []),
  ];
  const head = Buffer.from('II*\0\0\0\0\0', 'latin1');
  head.writeUInt32LE(start, 4);
  return Buffer.concat([head, pixels, Buffer.alloc(pixels.length % 2), directoryOf(fields, start)]);
}

const ORIENTATION = 0x0112;

/**
 * An EXIF block of a picture that has been turned already: where it names an orientation, it is the upright one.
 *
 * @throws RangeError where it points beyond its end
 */
export function uprightExif(exif: Buffer): Buffer {
  const made = Buffer.from(exif);
  const little = made.toString('latin1', 0, 2) === 'II';
  const short = (at: number) => (little ? made.readUInt16LE(at) : made.readUInt16BE(at));
  const first = little ? made.readUInt32LE(4) : made.readUInt32BE(4);
  for (let i = 0, at = first + 2; i < short(first); i++, at += 12) {
    if (short(at) !== ORIENTATION) continue;
    if (little) made.writeUInt16LE(1, at + 8);
    else made.writeUInt16BE(1, at + 8);
  }
  return made;
}
