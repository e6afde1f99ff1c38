/** Where on its ramp a gradient is at each pixel: data only, so that it can be handed to threads. */
import type { AreaPaint } from './paint';

/** A part of the picture, in pixels; it need not lie on whole ones. */
export type PaintBox = { readonly left: number; readonly top: number; readonly width: number; readonly height: number };

/** Whole pixels. */
type Window = { readonly left: number; readonly top: number; readonly width: number; readonly height: number };

/** Values 0…65535 for 0…1, row by row over a window of whole pixels. */
export type Field = Window & {
  readonly values: Uint16Array;
};

/** t at a pixel's middle (x, y): flat 0; linear x·dx + y·dy + at; radial the distance from a centre in radii; conic the angle about it in turns; or noted for each pixel. */
export type Places =
  | { readonly kind: 'flat' }
  | { readonly kind: 'linear'; readonly dx: number; readonly dy: number; readonly at: number }
  | { readonly kind: 'radial'; readonly cx: number; readonly cy: number; readonly rx: number; readonly ry: number }
  | { readonly kind: 'conic'; readonly cx: number; readonly cy: number; readonly from: number }
  | { readonly kind: 'field'; readonly field: Field }
  /** The ramp has a colour for every pixel of a window; places on it are not asked for. */
  | { readonly kind: 'each'; readonly window: Window };

type Linear = Extract<AreaPaint, { kind: 'linear' }>;
type Radial = Extract<AreaPaint, { kind: 'radial' }>;

/** The gradient line through the box's middle, so long that both ends' perpendiculars touch corners (CSS Images 3 §3.1). */
function linearPlaces({ angle }: Linear, { left, top, width, height }: PaintBox): Places {
  const radians = (angle * Math.PI) / 180;
  const [sin, cos] = [Math.sin(radians), Math.cos(radians)];
  const length = Math.abs(width * sin) + Math.abs(height * cos) || 1;
  const [dx, dy] = [sin / length, -cos / length];
  return { kind: 'linear', dx, dy, at: 0.5 - dx * (left + width / 2) - dy * (top + height / 2) };
}

/** Radii of the ending shape (CSS Images 3 §3.2.1): corners keep the proportion that the sides would give. */
function radii({ ending, extent }: Radial, [x, y]: readonly [number, number], { width, height }: PaintBox) {
  const [across, down] = [[x, width - x].map(Math.abs), [y, height - y].map(Math.abs)] as [number[], number[]];
  const pick = extent.startsWith('closest') ? Math.min : Math.max;
  const [sx, sy] = [pick(...across), pick(...down)];
  if (extent.endsWith('side')) {
    if (ending === 'ellipse') return [sx, sy] as const;
    return [pick(sx, sy), pick(sx, sy)] as const;
  }
  const corner = Math.hypot(sx, sy);
  // An ellipse through the corner in the sides' proportion: each radius is its side's by √2.
  return ending === 'circle' ? ([corner, corner] as const) : ([sx * Math.SQRT2, sy * Math.SQRT2] as const);
}

/** Where a gradient is, for a box that it fills. */
export function placesOf(
  paint: Exclude<AreaPaint, string | { kind: 'contour' | 'picked' | 'texture' }>,
  box: PaintBox,
): Places {
  if (paint.kind === 'linear') return linearPlaces(paint, box);
  const at = [paint.at[0] * box.width, paint.at[1] * box.height] as const;
  const [cx, cy] = [box.left + at[0], box.top + at[1]];
  if (paint.kind === 'conic') return { kind: 'conic', cx, cy, from: paint.from / 360 };
  const [rx, ry] = radii(paint, at, box);
  // Without extent all of it is beyond the end (CSS Images 3 §3.2.3).
  return { kind: 'radial', cx, cy, rx: Math.max(rx, 1e-6), ry: Math.max(ry, 1e-6) };
}

type PlacesOf<Kind> = Extract<Places, { kind: Kind }>;

/** Of row `y` from column `x` on: t is from + i · by. */
export const rowOfLinear = ({ at, dx, dy }: PlacesOf<'linear'>, x: number, y: number) => ({
  from: at + dy * (y + 0.5) + dx * (x + 0.5),
  by: dx,
});

/** Of row `y` from column `x` on: t is √((from + i · by)² + down²). */
export const rowOfRadial = ({ cx, cy, rx, ry }: PlacesOf<'radial'>, x: number, y: number) => ({
  from: (x + 0.5 - cx) / rx,
  by: 1 / rx,
  down: (y + 0.5 - cy) / ry,
});

/** What is noted for `n` pixels of row `y` from column `x` on; null where they reach beyond the window's sides. */
export function rowOfField(
  { left, top, width, height, values }: Field,
  x: number,
  y: number,
  n: number,
): Uint16Array | null {
  if (x < left || x + n > left + width) return null;
  const from = Math.min(Math.max(y - top, 0), height - 1) * width + x - left;
  return values.subarray(from, from + n);
}

/** t for `n` pixels of row `y` from column `x` on; not clamped. */
export function fillPlaces(places: Places, x: number, y: number, n: number, out: Float32Array): void {
  switch (places.kind) {
    case 'flat':
    case 'each':
      out.fill(0, 0, n);
      return;
    case 'linear': {
      const { from, by } = rowOfLinear(places, x, y);
      for (let i = 0; i < n; i++) out[i] = from + by * i;
      return;
    }
    case 'radial': {
      const { from, by, down } = rowOfRadial(places, x, y);
      for (let i = 0; i < n; i++) {
        const u = from + by * i;
        out[i] = Math.sqrt(u * u + down * down);
      }
      return;
    }
    case 'conic': {
      const v = y + 0.5 - places.cy;
      for (let i = 0; i < n; i++) {
        const turn = Math.atan2(x + i + 0.5 - places.cx, -v) / (2 * Math.PI) - places.from;
        out[i] = turn - Math.floor(turn);
      }
      return;
    }
    case 'field': {
      const { left, top, width, height, values } = places.field;
      const row = Math.min(Math.max(y - top, 0), height - 1) * width;
      if (x >= left && x + n <= left + width) {
        for (let i = 0, k = row + x - left; i < n; i++, k++) out[i] = values[k]! * (1 / 65535);
        return;
      }
      for (let i = 0; i < n; i++) out[i] = values[row + Math.min(Math.max(x + i - left, 0), width - 1)]! / 65535;
    }
  }
}
