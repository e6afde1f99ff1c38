/** A photo on whole pixels, and what lies beyond its rim: quicker than `resample`, as nothing is turned. */
import type { PixelWindow } from './coverage';
import { fadeInto, type Outside } from './resample';

/** What is continued from the rim's own pixels: a mirror needs those further in. */
export type FromRim = Extract<Outside, { kind: 'ground' }> | { readonly kind: 'smear' };

/**
 * The window over a photo that lies at `rect`, its rim's pixels drawn out or fading into
 * the ground beyond it.
 *
 * @param data straight RGBA of the part of the photo that lies in the window: `part`
 */
export function continued(
  data: Uint8Array | Uint8ClampedArray,
  part: PixelWindow,
  rect: PixelWindow,
  window: PixelWindow,
  outside: FromRim,
): Uint8ClampedArray<ArrayBuffer> {
  const out = new Uint8ClampedArray(window.width * window.height * 4);
  const [right, bottom] = [part.left + part.width, part.top + part.height];
  const fade = outside.kind === 'ground' ? fadeInto(outside.colour, Math.max(rect.width, rect.height)) : null;
  for (let row = 0; row < window.height; row++) {
    const y = window.top + row;
    const line = (Math.min(Math.max(y, part.top), bottom - 1) - part.top) * part.width * 4;
    const down = Math.max(part.top - y - 0.5, y + 0.5 - bottom);
    const start = row * window.width * 4;
    const inside = (part.left - window.left) * 4;
    out.set(data.subarray(line, line + part.width * 4), start + inside);
    for (let column = 0; column < window.width; column++) {
      const x = window.left + column;
      const beyond = Math.max(part.left - x - 0.5, x + 0.5 - right, down);
      if (beyond < 0) {
        // Nothing to do until the rim on the other side.
        column = right - window.left - 1;
        continue;
      }
      const k = start + column * 4;
      if (x < part.left || x >= right) {
        const p = line + (x < part.left ? 0 : part.width - 1) * 4;
        for (let c = 0; c < 4; c++) out[k + c] = data[p + c]!;
      }
      fade?.(out, k, beyond);
    }
  }
  return out;
}
