/** How wide the columns of a table are drawn. */
import type { PhotoData } from '@/core/fields';

/** CSS pixels. */
const [LEAST, MOST, LETTER, ROOM] = [110, 360, 7.2, 28];

/** Rows that a width is taken from. */
const LOOKED_AT = 200;

/** Wide enough for a field's name and for most of what it says. */
export const widthsOf = (fields: readonly string[], photos: readonly { readonly data: PhotoData }[]): number[] =>
  fields.map((name) => {
    const lengths = photos.slice(0, LOOKED_AT).map(({ data }) => data[name]?.length ?? 0).sort((a, b) => a - b); // prettier-ignore
    const most = lengths[Math.floor(lengths.length * 0.9)] ?? 0;
    return Math.round(Math.min(MOST, Math.max(LEAST, (name.length + 2) * LETTER + ROOM, most * LETTER + ROOM)));
  });
