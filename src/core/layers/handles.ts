/** Where layers are held and pulled on the picture: the middle or direction of a gradient, the offset of a shadow, the place of a picture or a caption. */
import type { LinePaint } from '../paint';
import { isConvex, type Corners } from '../pictures';
import { cornersOf, placeMoved, type Place } from './pictured';
import type { Caption } from './caption';
import type { Shadow } from './shadow';

type Point = readonly [x: number, y: number];

/** What a gradient fills, frame units. */
type Box = { readonly left: number; readonly top: number; readonly width: number; readonly height: number };

/** A place to hold, a line that leads to it, and what comes of pulling it somewhere else. */
export type LayerHandle<T> = {
  readonly label: string;
  readonly from: Point;
  readonly at: Point;
  /** @param steps true for whole steps of 15 degrees, where it is about a direction */
  readonly pull: (to: Point, steps: boolean) => T;
};

/** Between these and the middle of its box a gradient's direction is held, in shares of the box's shorter half. */
const DIRECTION_AT = 0.6;

/** How finely a hand sets lengths, and the least that it makes, frame units. */
type Grasp = { readonly rounded: (v: number) => number; readonly least: number };

const share = (v: number) => Math.round(v * 1000) / 1000;
const middleOf = ({ left, top, width, height }: Box): Point => [left + width / 2, top + height / 2];

/** The handle of a paint that has a direction or a middle; null for others. */
export function paintHandle(paint: LinePaint, box: Box): LayerHandle<LinePaint> | null {
  if (typeof paint === 'string') return null;
  const middle = middleOf(box);
  if (paint.kind === 'linear') {
    const radians = (paint.angle * Math.PI) / 180;
    const away = (DIRECTION_AT * Math.min(box.width, box.height)) / 2;
    return {
      label: 'Direction of the gradient',
      from: middle,
      at: [middle[0] + away * Math.sin(radians), middle[1] - away * Math.cos(radians)],
      pull: ([x, y], steps) => {
        // CSS Images 3 §3.1: 0 to the top, 90 to the right.
        const angle = (Math.atan2(x - middle[0], middle[1] - y) * 180) / Math.PI;
        const step = steps ? 15 : 1;
        return { ...paint, angle: (Math.round(angle / step) * step + 360) % 360 };
      },
    };
  }
  if (paint.kind !== 'radial' && paint.kind !== 'conic') return null;
  const at: Point = [box.left + paint.at[0] * box.width, box.top + paint.at[1] * box.height];
  const held = (v: number) => share(Math.min(10, Math.max(-10, v)));
  return {
    label: 'Middle of the gradient',
    from: middle,
    at,
    pull: ([x, y]) => ({
      ...paint,
      at: [held((x - box.left) / (box.width || 1)), held((y - box.top) / (box.height || 1))],
    }),
  };
}

/** A shadow by how far it lies from what throws it. */
export const shadowHandle = (shadow: Shadow, box: Box, { rounded }: Grasp): LayerHandle<Shadow> => {
  const middle = middleOf(box);
  return {
    label: 'Offset of the shadow',
    from: middle,
    at: [middle[0] + shadow.x, middle[1] + shadow.y],
    pull: ([x, y]) => ({ ...shadow, x: rounded(x - middle[0]), y: rounded(y - middle[1]) }),
  };
};

const CORNERS = ['Left top corner', 'Right top corner', 'Right bottom corner', 'Left bottom corner'] as const;

/** The place of a picture by its middle, and by the corners that it is bent to, or by the one that makes a box larger. */
export function placeHandles(place: Place, { rounded, least }: Grasp): LayerHandle<Place>[] {
  const corners = cornersOf(place);
  const middle: Point = [0, 1].map((k) => corners.reduce((sum, at) => sum + at[k]!, 0) / 4) as unknown as Point;
  const move: LayerHandle<Place> = {
    label: 'Middle of the picture',
    from: middle,
    at: middle,
    pull: ([x, y]) => placeMoved(place, (at) => [rounded(at[0] + x - middle[0]), rounded(at[1] + y - middle[1])], (v) => v), // prettier-ignore
  };
  if (!('corners' in place)) {
    const [first, , last] = corners;
    const pull = ([x, y]: Point): Place => {
      const [width, height] = [Math.max(least, rounded(x - first[0])), Math.max(least, rounded(y - first[1]))];
      return { cx: first[0] + width / 2, cy: first[1] + height / 2, width, height };
    };
    return [move, { label: 'Size of the picture', from: first, at: last, pull }];
  }
  const bend = (label: string, k: number): LayerHandle<Place> => ({
    label,
    from: corners[(k + 1) % 4]!,
    at: corners[k]!,
    pull: ([x, y]) => {
      const next = corners.map((at, i) => (i === k ? [rounded(x), rounded(y)] : at)) as unknown as Corners;
      // A corner pulled over its neighbours stays where it was.
      return isConvex(next) ? { corners: next } : place;
    },
  });
  return [move, ...CORNERS.map(bend)];
}

type CaptionPlace = Pick<Caption, 'at' | 'size' | 'radius'>;

/** A caption by where its baseline lies, by how high its letters stand on that, and by the middle of the circle that they follow. */
export function captionHandles(
  { at, size, radius, follows }: Caption,
  { rounded, least }: Grasp,
): LayerHandle<Partial<CaptionPlace>>[] {
  const held = (v: number) => Math.max(least, rounded(v));
  const down = follows === 'under' ? -1 : 1;
  const place: LayerHandle<Partial<CaptionPlace>> = {
    label: 'Place of the caption',
    from: at,
    at,
    pull: ([x, y]) => ({ at: [rounded(x), rounded(y)] }),
  };
  const high: LayerHandle<Partial<CaptionPlace>> = {
    label: 'Size of the caption',
    from: at,
    at: [at[0], at[1] - size],
    pull: ([, y]) => ({ size: held(at[1] - y) }),
  };
  if (follows === 'line') return [place, high];
  const round: LayerHandle<Partial<CaptionPlace>> = {
    label: 'Circle of the caption',
    from: at,
    at: [at[0], at[1] + down * radius],
    pull: ([, y]) => ({ radius: held(down * (y - at[1])) }),
  };
  return [place, high, round];
}
