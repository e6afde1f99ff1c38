/** Pictures in bands of rows, so that what is needed on the way takes memory only in its turn. */
import type { PixelWindow } from './coverage';

/** Rows of a band are a multiple of this, so that the coarse cells of wide shadows fall alike in all bands. */
const BAND_ROWS = 256;
/** About so many pixels are worked on at a time. */
const BAND_PIXELS = 4_000_000;
/** The same of what needs next to nothing of the bands beside it: several masks of so many stay in a processor's cache. */
const NARROW_PIXELS = 300_000;

/** The bands of a window, from the top down. */
export const bandsOf = (window: PixelWindow) => bandsWithin(window, BAND_PIXELS);

/** Narrower ones, whose masks may be made in the same memory one after the other. */
export const narrowBandsOf = (window: PixelWindow) => bandsWithin(window, NARROW_PIXELS);

function* bandsWithin({ left, top, width, height }: PixelWindow, pixels: number): Generator<PixelWindow> {
  const rows = Math.max(1, Math.floor(pixels / Math.max(1, width) / BAND_ROWS)) * BAND_ROWS;
  for (let from = 0; from < height; from += rows)
    yield { left, top: top + from, width, height: Math.min(rows, height - from) };
}
