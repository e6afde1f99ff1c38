/** Pictures as patterns, laid out for one picture. */
import type { PatternPaint, Ramp } from '../paint';
import { patternReader, pictureAtHand, type PatternReader } from '../pictures';
import type { Beside, PixelWindow } from '../raster';

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

/** Notes a colour as ramps have it: straight, 0…1. */
function note(ramp: Ramp, place: number, [r, g, b, alpha]: Float64Array, opacity: number): void {
  if (alpha! <= 0) return;
  const k = place * 4;
  ramp[k] = Math.min(1, r! / alpha!);
  ramp[k + 1] = Math.min(1, g! / alpha!);
  ramp[k + 2] = Math.min(1, b! / alpha!);
  ramp[k + 3] = (alpha! / 255) * opacity;
}

/** The colours of every pixel of the window, one after the other; clear where nothing is asked. */
export function patternColours(
  paint: PatternPaint & { readonly picture: string },
  opacity: number,
  { window, scale, corner, beside, places }: Ground,
): Ramp {
  const { left, top, width, height } = window;
  const picture = pictureAtHand(paint.picture, 'pattern');
  const [across, down] = [paint.size, (paint.size * picture.height) / picture.width];
  const out = new Float32Array(width * height * 4);
  const found = new Float64Array(4);
  if (beside && paint.lies === 'along') {
    const readers = new Map<number, { readonly turns: number; readonly read: PatternReader }>();
    beside.places.forEach((place, i) => {
      // Stretched so that whole ones go round.
      const whole = beside.whole[i]! / scale;
      const turns = Math.max(1, Math.round(whole / across));
      const known = readers.get(whole) ?? { turns, read: patternReader(picture, [turns / (whole * scale), 0], [0, 1 / (down * scale)]) }; // prettier-ignore
      readers.set(whole, known);
      known.read(beside.along[i]! * turns, beside.away[i]! / scale / down, found);
      note(out, place, found, opacity);
    });
    return out;
  }
  const radians = (paint.angle * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  const right = [cos / across / scale, -sin / down / scale] as const;
  const below = [sin / across / scale, cos / down / scale] as const;
  const read = patternReader(picture, right, below);
  const count = places ? places.length : width * height;
  for (let i = 0; i < count; i++) {
    const place = places ? places[i]! : i;
    const y = Math.floor(place / width);
    const [px, py] = [left + place - y * width + 0.5 - corner[0], top + y + 0.5 - corner[1]];
    read(px * right[0] + py * below[0], px * right[1] + py * below[1], found);
    note(out, place, found, opacity);
  }
  return out;
}
