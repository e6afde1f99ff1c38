/** The smallest windows that hold pixels. */
import type { PixelWindow } from '../raster';

/** Grows to hold all that it is shown. */
export function bounds() {
  let [left, top, right, bottom] = [Infinity, Infinity, -1, -1];
  return {
    hold: (x: number, y: number, n: number) => {
      left = Math.min(left, x);
      right = Math.max(right, x + n - 1);
      top = Math.min(top, y);
      bottom = Math.max(bottom, y);
    },
    window: (): PixelWindow =>
      right < 0
        ? { left: 0, top: 0, width: 0, height: 0 }
        : { left, top, width: right - left + 1, height: bottom - top + 1 },
  };
}

/** Smallest window that holds every pixel whose alpha is not 0. */
export function inkedWindow(rgba: Uint8ClampedArray, width: number, height: number): PixelWindow {
  const inked = bounds();
  for (let y = 0; y < height; y++) {
    const row = y * width;
    let x = 0;
    while (x < width && rgba[(row + x) * 4 + 3] === 0) x++;
    if (x === width) continue;
    let end = width - 1;
    while (rgba[(row + end) * 4 + 3] === 0) end--;
    inked.hold(x, y, end - x + 1);
  }
  return inked.window();
}
