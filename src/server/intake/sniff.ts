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
  if (at(head, 0, 'II*\0') || at(head, 0, 'MM\0*') || at(head, 0, 'II+\0') || at(head, 0, 'MM\0+')) return 'tiff';
  // ISO base media file: the brand list begins after the box's length and name.
  if (at(head, 4, 'ftyp') && /avi[fs]/.test(head.toString('latin1', 8, SNIFF_BYTES))) return 'avif';
  return null;
}

/** A guess in words at what an unwanted file is. */
export function describeOther(head: Buffer): string {
  const text = head.toString('latin1');
  if (/^\s*(<\?xml|<svg)/i.test(text)) return 'an SVG or XML file';
  if (at(head, 0, '%PDF')) return 'a PDF';
  if (at(head, 0, 'PK\x03\x04')) return 'a zip archive';
  if (at(head, 4, 'ftyp')) return /hei[cx]|mif1|hevc/.test(text) ? 'a HEIC photo' : 'a video';
  if ([...head].every((byte) => byte === 9 || byte === 10 || byte === 13 || byte >= 32)) return 'a text file';
  return 'something else';
}
