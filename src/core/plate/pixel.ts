/**
 * A pixel in the making, as numbers side by side: premultiplied r, g, b of what is the same
 * for every photo, then alpha, then how much of the pixel comes from each source: the photo,
 * the photo mirrored, every colour that is taken from the photo, every photo behind, and every
 * picture that is made of these first.
 * Alpha counts all but the photo itself.
 */

export const ALPHA = 3;
export const PHOTO = 4;
export const MIRRORED = 5;
/** The first of the other sources: picked colours, then photos behind, then pictures made of those. */
export const OTHERS = 6;

/** How many other sources there are. */
export type Others = { readonly picks: number; readonly behind: number; readonly made: number };

export const channelsFor = ({ picks, behind, made }: Others): number => OTHERS + picks + behind + made;
