/**
 * A pixel in the making, as numbers side by side: premultiplied r, g, b of what is the same
 * for every photo, then alpha, then how much of the pixel comes from each source: the photo,
 * the photo mirrored, and every colour that is taken from the photo. Alpha counts all but
 * the photo itself.
 */

export const ALPHA = 3;
export const PHOTO = 4;
export const MIRRORED = 5;
/** The first of the picked colours. */
export const PICKED = 6;

export const channelsFor = (picks: number): number => PICKED + picks;
