/** Where layers are held and pulled on the picture: the middle or direction of a gradient, the offset of a shadow. */
import type { LinePaint } from '../paint';
import type { Shadow } from './shadow';

type Place = readonly [x: number, y: number];

/** What a gradient fills, frame units. */
type Box = { readonly left: number; readonly top: number; readonly width: number; readonly height: number };

/** A place to hold, a line that leads to it, and what comes of pulling it somewhere else. */
export type LayerHandle<T> = {
  readonly label: string;
  readonly from: Place;
  readonly at: Place;
  /** @param steps true for whole steps of 15 degrees, where it is about a direction */
  readonly pull: (to: Place, steps: boolean) => T;
};

/** Between these and the middle of its box a gradient's direction is held, in shares of the box's shorter half. */
const DIRECTION_AT = 0.6;

const rounded = (v: number, to: number) => Math.round(v * to) / to;
const middleOf = ({ left, top, width, height }: Box): Place => [left + width / 2, top + height / 2];

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
  const at: Place = [box.left + paint.at[0] * box.width, box.top + paint.at[1] * box.height];
  const held = (v: number) => rounded(Math.min(10, Math.max(-10, v)), 1000);
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
export const shadowHandle = (shadow: Shadow, box: Box): LayerHandle<Shadow> => {
  const middle = middleOf(box);
  return {
    label: 'Offset of the shadow',
    from: middle,
    at: [middle[0] + shadow.x, middle[1] + shadow.y],
    pull: ([x, y]) => ({ ...shadow, x: rounded(x - middle[0], 10), y: rounded(y - middle[1], 10) }),
  };
};
