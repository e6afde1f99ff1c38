/** Made-up pixels for tests. */

/** Bytes that look random and are always the same (a linear congruential generator, Numerical Recipes constants). */
export function seededBytes(length: number, seed: number): Uint8Array {
  let state = seed >>> 0;
  return new Uint8Array(length).map(() => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state >>> 24;
  });
}

/** Opaque RGBA gradients without hard edges. */
export function smoothPhoto(width: number, height: number): Uint8Array {
  const out = new Uint8Array(width * height * 4);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const k = (y * width + x) * 4;
      out[k] = 40 + (170 * x) / width;
      out[k + 1] = 60 + (140 * y) / height;
      out[k + 2] = 200 - (120 * (x + y)) / (width + height);
      out[k + 3] = 255;
    }
  return out;
}
