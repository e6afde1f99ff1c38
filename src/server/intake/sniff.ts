/** What a file is by its first bytes, whatever its name says. */

export const PHOTO_FORMATS = ['jpeg', 'png', 'webp', 'avif', 'tiff', 'gif'] as const;
export type PhotoFormat = (typeof PHOTO_FORMATS)[number];

/** Bytes that `sniff` needs. */
export const SNIFF_BYTES = 32;

const at = (head: Buffer, offset: number, text: string) =>
  head.toString('latin1', offset, offset + text.length) === text;

/** Signatures from the formats' own specifications; null for anything else. */
export function sniff(head: Buffer): PhotoFormat | null {
  if (at(head, 0, '\xff\xd8\xff')) return 'jpeg';
  if (at(head, 0, '\x89PNG\r\n\x1a\n')) return 'png';
  if (at(head, 0, 'RIFF') && at(head, 8, 'WEBP')) return 'webp';
  if (at(head, 0, 'GIF87a') || at(head, 0, 'GIF89a')) return 'gif';
  if (at(head, 0, 'II*\0') && at(head, 8, 'CR\x02')) return null;
  if (at(head, 0, 'II*\0') || at(head, 0, 'MM\0*') || at(head, 0, 'II+\0') || at(head, 0, 'MM\0+')) return 'tiff';
  // ISO base media file: the brand list begins after the box's length and name.
  if (at(head, 4, 'ftyp') && /avi[fs]/.test(head.toString('latin1', 8, SNIFF_BYTES))) return 'avif';
  return null;
}

/** HEIF with pictures in HEVC (ISO/IEC 23008-12 §10 and annex B), by any of the brands that are looked through for AVIF, too. */
export const sniffHeic = (head: Buffer): boolean =>
  at(head, 4, 'ftyp') && sniff(head) === null && /hei[cxms]|mif1/.test(head.toString('latin1', 8, SNIFF_BYTES));

export const RAW = 'a camera’s raw file, of which a JPEG has to be made first';

/**
 * Other files that come among photos: signatures of JPEG XL (ISO 18181-2) and JPEG 2000 (ISO 15444-1, both bare and in
 * boxes); those of raw files and layered ones from memory.
 */
const OTHERS: readonly (readonly [offset: number, text: string, words: string])[] = [
  [0, '%PDF', 'a PDF'],
  [0, 'PK\x03\x04', 'a zip archive'],
  [0, '\xff\x0a', 'a JPEG XL picture, which has to be saved as JPEG or PNG first'],
  [4, 'JXL ', 'a JPEG XL picture, which has to be saved as JPEG or PNG first'],
  [0, '\xff\x4f\xff\x51', 'a JPEG 2000 picture, which has to be saved as JPEG or PNG first'],
  [4, 'jP  ', 'a JPEG 2000 picture, which has to be saved as JPEG or PNG first'],
  [0, '8BPS', 'a picture in layers, which has to be saved as PNG or TIFF first'],
  [4, 'ftypcrx ', RAW],
  [8, 'CR\x02', RAW],
  [0, 'IIRO', RAW],
  [0, 'IIRS', RAW],
  [0, 'IIU\0', RAW],
  [0, 'FUJIFILM', RAW],
];

/** A guess in words at what an unwanted file is, and what can be done where something can. */
export function describeOther(head: Buffer): string {
  const text = head.toString('latin1');
  const known = OTHERS.find(([offset, mark]) => at(head, offset, mark));
  if (known) return known[2];
  if (/^\s*(<\?xml|<svg)/i.test(text)) return 'an SVG or XML file';
  if (at(head, 0, 'BM') && at(head, 6, '\0\0\0\0')) return 'a bitmap (BMP), which has to be saved as PNG first';
  if (at(head, 4, 'ftyp')) return 'a video';
  if ([...head].every((byte) => byte === 9 || byte === 10 || byte === 13 || byte >= 32)) return 'a text file';
  return 'something else';
}
