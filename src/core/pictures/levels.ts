/** A picture, half of it, a quarter…: what is drawn smaller is drawn from one that is at most twice too fine. */

/** Straight RGBA, row by row. */
export type PictureRaster = {
  readonly data: Uint8Array | Uint8ClampedArray;
  readonly width: number;
  readonly height: number;
};

/** Premultiplied RGBA, row by row. */
export type Level = { readonly data: Uint8ClampedArray; readonly width: number; readonly height: number };

function premultiplied({ data, width, height }: PictureRaster): Level {
  const out = new Uint8ClampedArray(width * height * 4);
  for (let k = 0; k < out.length; k += 4) {
    const alpha = data[k + 3]!;
    for (let c = 0; c < 3; c++) out[k + c] = (data[k + c]! * alpha) / 255;
    out[k + 3] = alpha;
  }
  return { data: out, width, height };
}

/** Half as wide and high, every pixel the mean of those that it covers; an odd last row or column counts twice. */
function halved({ data, width, height }: Level): Level {
  const [w, h] = [Math.max(1, Math.ceil(width / 2)), Math.max(1, Math.ceil(height / 2))];
  const out = new Uint8ClampedArray(w * h * 4);
  for (let y = 0, k = 0; y < h; y++) {
    const [above, below] = [2 * y * width, Math.min(height - 1, 2 * y + 1) * width];
    for (let x = 0; x < w; x++) {
      const [left, right] = [2 * x, Math.min(width - 1, 2 * x + 1)];
      for (let c = 0; c < 4; c++, k++)
        out[k] =
          (data[(above + left) * 4 + c]! +
            data[(above + right) * 4 + c]! +
            data[(below + left) * 4 + c]! +
            data[(below + right) * 4 + c]!) /
          4;
    }
  }
  return { data: out, width: w, height: h };
}

export function levelsOf(raster: PictureRaster): Level[] {
  const levels = [premultiplied(raster)];
  for (let last = levels[0]!; Math.max(last.width, last.height) > 1; levels.push(last)) last = halved(last);
  return levels;
}
