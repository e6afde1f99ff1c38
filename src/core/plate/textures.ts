/** Textures laid out for one picture. */
import type { TexturePaint } from '../paint';
import type { Beside, PixelWindow } from '../raster';
import { alongReader, flatReader, type TextureReader } from '../texture';

type Ground = {
  readonly window: PixelWindow;
  readonly scale: number;
  /** The frame's corner, pixels. */
  readonly corner: readonly [x: number, y: number];
  /** The line that it runs along; only there anything is asked. */
  readonly beside: Beside | null;
};

/** Values 0…1 of a texture, row by row; NaN where nothing is asked. */
export function textureValues(paint: TexturePaint, { window, scale, corner, beside }: Ground): Float32Array {
  const { left, top, width, height } = window;
  const out = new Float32Array(width * height).fill(NaN);
  if (paint.lies === 'along' && beside) {
    const readers = new Map<number, TextureReader>();
    for (let i = 0; i < out.length; i++) {
      if (Number.isNaN(beside.away[i]!)) continue;
      const whole = beside.whole[i]! / scale;
      const read = readers.get(whole) ?? alongReader(paint, whole, scale);
      if (!readers.has(whole)) readers.set(whole, read);
      out[i] = read(beside.along[i]!, beside.away[i]! / scale);
    }
    return out;
  }
  const read = flatReader(paint, scale);
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++)
      if (!beside || !Number.isNaN(beside.away[i]!))
        out[i] = read((left + x + 0.5 - corner[0]) / scale, (top + y + 0.5 - corner[1]) / scale);
  return out;
}
