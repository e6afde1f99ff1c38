/** Textures laid out for one picture. */
import type { TexturePaint } from '../paint';
import type { Beside, PixelWindow } from '../raster';
import { alongReader, flatReader, type TextureReader } from '../texture';

type Ground = {
  readonly window: PixelWindow;
  readonly scale: number;
  /** The frame's corner, pixels. */
  readonly corner: readonly [x: number, y: number];
  /** The line that it may run along. */
  readonly beside: Beside | null;
  /** Only there anything is asked: places in the window; null asks everywhere. */
  readonly places: Int32Array | null;
};

/** Values 0…1 of a texture: of the places that are asked for, in their order, or row by row of the window. */
export function textureValues(paint: TexturePaint, { window, scale, corner, beside, places }: Ground): Float32Array {
  const { left, top, width, height } = window;
  if (beside && paint.lies === 'along') {
    const readers = new Map<number, TextureReader>();
    return beside.away.map((away, i) => {
      const whole = beside.whole[i]! / scale;
      const read = readers.get(whole) ?? alongReader(paint, whole, scale);
      if (!readers.has(whole)) readers.set(whole, read);
      return read(beside.along[i]!, away / scale);
    });
  }
  const read = flatReader(paint, scale);
  const at = (place: number) => {
    const y = Math.floor(place / width);
    return read((left + place - y * width + 0.5 - corner[0]) / scale, (top + y + 0.5 - corner[1]) / scale);
  };
  const out = new Float32Array(places ? places.length : width * height);
  for (let i = 0; i < out.length; i++) out[i] = at(places ? places[i]! : i);
  return out;
}
