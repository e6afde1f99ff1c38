/** HEIC files for tests, put together box by box as telephones write them: a grid of tiles that may be turned (ISO/IEC 23008-12 §6.6.2.3, ISO/IEC 14496-12 §8.11). */
import encoded from './tiles.json' with { type: 'json' };

/**
 * Four tiles of 64 × 64 px: red, green, blue, yellow, each lighter to the right and darker to the bottom. Encoded once by
 * Debian's heif-enc 1.15.1 (x265) at quality 85; `configuration` is the decoder's, which all share.
 */
const { configuration, tiles } = encoded;
const TILE = 64;

export type MadeHeic = {
  readonly columns?: number;
  readonly rows?: number;
  /** Pixels of the grid, before it is turned; at most those of its tiles. */
  readonly width?: number;
  readonly height?: number;
  /** Quarter turns anticlockwise. */
  readonly turned?: number;
  readonly brand?: string;
  /** A `colr` box without its head. */
  readonly colours?: Buffer;
  /** A TIFF structure, and an XMP packet. */
  readonly exif?: Buffer;
  readonly xmp?: string;
  /** Whether the fourth tile's lightness is the alpha of it all. */
  readonly hasAlpha?: boolean;
  /** Whether the file says that its colours are multiplied by its alpha (the `prem` reference of ISO/IEC 23000-22, from memory). */
  readonly isPremultiplied?: boolean;
};

const text = (words: string) => Buffer.from(words, 'latin1');
const u8 = (...values: number[]) => Buffer.from(values);
const u16 = (...values: number[]) => Buffer.concat(values.map((value) => u8(value >> 8, value & 255)));
const u32 = (...values: number[]) => Buffer.concat(values.map((value) => u16(value >>> 16, value & 0xffff)));

const box = (type: string, ...parts: Buffer[]): Buffer => {
  const body = Buffer.concat(parts);
  return Buffer.concat([u32(8 + body.length), text(type), body]);
};
/** A box with a version and flags. */
const full = (type: string, version: number, flags: number, ...parts: Buffer[]) =>
  box(type, u32(version * 2 ** 24 + flags), ...parts);

type Item = { readonly id: number; readonly type: string; readonly hidden: boolean; readonly data: Buffer; readonly media?: string }; // prettier-ignore

const infoOf = ({ id, type, hidden, media }: Item) =>
  full('infe', 2, hidden ? 1 : 0, u16(id, 0), text(`${type}\0`), text(media ? `${media}\0\0` : ''));

/** Where each item's bytes lie in the file: one piece each, one after another. */
function locationsOf(items: readonly Item[], start: number): Buffer {
  let at = start;
  const entries = items.map(({ id, data }) => {
    const entry = Buffer.concat([u16(id, 0, 1), u32(at, data.length)]);
    at += data.length;
    return entry;
  });
  return full('iloc', 0, 0, u8(0x44, 0), u16(items.length), ...entries);
}

export function madeHeic(options: MadeHeic = {}): Buffer {
  const { columns = 2, rows = 2, turned = 0, brand = 'heic' } = options;
  const { width = columns * TILE, height = rows * TILE, colours, exif, xmp, hasAlpha = false, isPremultiplied = false } = options; // prettier-ignore
  const grid: Item = { id: 1, type: 'grid', hidden: false, data: Buffer.concat([u8(0, 0, rows - 1, columns - 1), u16(width, height)]) }; // prettier-ignore
  const pieces = Array.from({ length: columns * rows }, (_, i): Item => ({ id: 2 + i, type: 'hvc1', hidden: true, data: Buffer.from(tiles[i % tiles.length]!, 'base64') })); // prettier-ignore
  const next = 2 + pieces.length;
  const said: Item[] = [
    ...(exif ? [{ id: next, type: 'Exif', hidden: true, data: Buffer.concat([u32(0), exif]) }] : []),
    ...(xmp
      ? [{ id: next + 1, type: 'mime', hidden: true, data: Buffer.from(xmp), media: 'application/rdf+xml' }]
      : []),
  ];
  const alpha: Item[] = hasAlpha ? [{ id: next + 2, type: 'hvc1', hidden: true, data: Buffer.from(tiles[3]!, 'base64') }] : []; // prettier-ignore
  const items = [grid, ...pieces, ...said, ...alpha];

  const ispe = (w: number, h: number) => full('ispe', 0, 0, u32(w, h));
  const properties = [
    box('hvcC', Buffer.from(configuration, 'base64')),
    ispe(TILE, TILE),
    ispe(width, height),
    box('irot', u8(turned)),
    box('colr', colours ?? Buffer.concat([text('nclx'), u16(1, 13, 6), u8(0x80)])),
    full('auxC', 0, 0, text('urn:mpeg:mpegB:cicp:systems:auxiliary:alpha\0')),
  ];
  // The decoder's configuration and turning are essential.
  const ofTile = u8(2, 0x81, 2);
  const association = full(
    'ipma',
    0,
    0,
    u32(1 + pieces.length + alpha.length),
    Buffer.concat([u16(1), u8(3, 3, 0x84, 5)]),
    ...pieces.map(({ id }) => Buffer.concat([u16(id), ofTile])),
    ...alpha.map(({ id }) => Buffer.concat([u16(id), u8(3, 0x81, 2, 0x86)])),
  );
  const references = [
    box('dimg', u16(1, pieces.length, ...pieces.map(({ id }) => id))),
    ...said.map(({ id }) => box('cdsc', u16(id, 1, 1))),
    ...alpha.map(({ id }) => box('auxl', u16(id, 1, 1))),
    ...(isPremultiplied ? alpha.map(({ id }) => box('prem', u16(1, 1, id))) : []),
  ];

  const type = box('ftyp', text(brand), u32(0), text(`mif1${brand}`));
  const metaFor = (start: number) =>
    full(
      'meta',
      0,
      0,
      full('hdlr', 0, 0, u32(0), text('pict'), u32(0, 0, 0), u8(0)),
      full('pitm', 0, 0, u16(1)),
      locationsOf(items, start),
      full('iinf', 0, 0, u16(items.length), ...items.map(infoOf)),
      full('iref', 0, 0, ...references),
      box('iprp', box('ipco', ...properties), association),
    );
  const start = type.length + metaFor(0).length + 8;
  return Buffer.concat([type, metaFor(start), box('mdat', ...items.map(({ data }) => data))]);
}
