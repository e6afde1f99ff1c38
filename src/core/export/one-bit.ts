/** Pictures for formats in which a pixel is either clear or not. */

/** Below this a pixel is clear where nothing lies behind it; where something does, only what can't be seen is. */
const [HALF, TRACE] = [128, 3];

/**
 * Straight RGBA in which every pixel is clear or opaque.
 *
 * @param matte what soft rims and shadows lie on, 0…255 each; null cuts them at half
 */
export function oneBitAlpha(
  pixels: Uint8ClampedArray,
  matte: readonly [number, number, number] | null,
): Uint8ClampedArray {
  const out = new Uint8ClampedArray(pixels.length);
  const least = matte ? TRACE : HALF;
  for (let i = 0; i < pixels.length; i += 4) {
    const alpha = pixels[i + 3]!;
    if (alpha < least) continue;
    const share = matte ? alpha / 255 : 1;
    for (let c = 0; c < 3; c++) out[i + c] = Math.round(pixels[i + c]! * share + (matte ? matte[c]! * (1 - share) : 0));
    out[i + 3] = 255;
  }
  return out;
}
