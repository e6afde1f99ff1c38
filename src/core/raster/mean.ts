/** The mean of many pictures. */

/** Adds up pictures of one size. */
export type Mean = {
  /** @param pixels straight RGBA, as many as of the first one */
  readonly add: (pixels: ArrayLike<number>) => void;
  readonly count: () => number;
  /** Straight RGBA: the mean of premultiplied pixels, so that what is clear has no colour. */
  readonly pixels: () => Uint8ClampedArray<ArrayBuffer>;
};

export function createMean(): Mean {
  let sums = new Float64Array(0);
  let count = 0;
  return {
    add: (pixels) => {
      if (count === 0) sums = new Float64Array(pixels.length);
      for (let k = 0; k < pixels.length; k += 4) {
        const alpha = pixels[k + 3]!;
        if (alpha === 0) continue;
        for (let c = k; c < k + 3; c++) sums[c]! += (pixels[c]! * alpha) / 255;
        sums[k + 3]! += alpha;
      }
      count++;
    },
    count: () => count,
    pixels: () => {
      const out = new Uint8ClampedArray(sums.length);
      for (let k = 0; k < sums.length; k += 4) {
        const alpha = sums[k + 3]!;
        if (alpha === 0) continue;
        for (let c = k; c < k + 3; c++) out[c] = (sums[c]! / alpha) * 255;
        out[k + 3] = alpha / count;
      }
      return out;
    },
  };
}
