'use client';
/**
 * How many pixels of the screen cutouts take. A picture that is shown at any other size than its own is smoothed by
 * the browser: at 125 or 150 %, as many screens are set, what is to be judged would be soft.
 */
import { useSyncExternalStore } from 'react';
import { outputHeight } from '@/core/template';

/** Calls back whenever the page's density changes: it is zoomed, or its window taken to another screen. */
function followDensity(onChange: () => void): () => void {
  const left = new AbortController();
  const follow = () => {
    // A query knows one density alone: it is asked anew after each change.
    const query = window.matchMedia(`(resolution: ${window.devicePixelRatio}dppx)`);
    const changed = () => (follow(), onChange());
    query.addEventListener('change', changed, { once: true, signal: left.signal });
  };
  follow();
  return () => left.abort();
}

/** Pixels of the screen a CSS pixel; 1 until the page is in a browser. */
export const useDensity = (): number =>
  useSyncExternalStore(
    followDensity,
    () => window.devicePixelRatio,
    () => 1,
  );

type Size = { readonly width: number; readonly height: number };

/** A cutout as it is drawn, `drawn` pixels wide, and the room in CSS pixels in which each of them is one of the screen. */
export type Pixels = { readonly drawn: number; readonly room: Size };

/** Browsers keep lengths in 64ths of a pixel and drop the rest: 338 / 1.25 would come out as a little less than 338 pixels, and the picture be smoothed. */
const HAIR = 0.01;

const cssOf = (pixels: number, density: number): number =>
  Number.isInteger(pixels / density) ? pixels / density : (pixels + HAIR) / density;

/**
 * A picture within a width.
 *
 * @param width CSS pixels
 * @param atMost pixels that are drawn; where the width has room for more, they are enlarged
 */
export function pixelsOf(picture: Size, width: number, density: number, atMost = Infinity): Pixels {
  // A little over, as 0.1 × 3 < 0.3.
  const whole = Math.max(1, Math.floor(width * density + 1e-6));
  const room = { width: cssOf(whole, density), height: cssOf(outputHeight(picture, whole), density) };
  return { drawn: Math.min(whole, atMost), room };
}
