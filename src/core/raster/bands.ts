/** Pictures in bands of rows, so that what is needed on the way takes memory only in its turn. */
import type { PixelWindow } from './coverage';

/** Rows of a band are a multiple of this, so that the coarse cells of wide shadows fall alike in all bands. */
const BAND_ROWS = 256;
/** About so many pixels are worked on at a time. */
const BAND_PIXELS = 4_000_000;

/** The bands of a window, from the top down. */
export function* bandsOf({ left, top, width, height }: PixelWindow): Generator<PixelWindow> {
  const rows = Math.max(1, Math.floor(BAND_PIXELS / Math.max(1, width) / BAND_ROWS)) * BAND_ROWS;
  for (let from = 0; from < height; from += rows)
    yield { left, top: top + from, width, height: Math.min(rows, height - from) };
}
