/** A shape moved over its photos, the photos under it, or both together. */
import type { Shape } from '../shape';
import { photoBox } from './photo-room';
import type { Template } from './template';

/** What goes along as a template's shape is dragged. */
export type Moves = 'both' | 'shape' | 'photo';

type Placed = Pick<Template, 'mode' | 'frame' | 'shape' | 'centring'>;

const fine = (v: number): number => Math.round(Math.min(1, Math.max(0, v)) * 1e6) / 1e6;

/**
 * The template with its shape changed to another. With `both`, photos stay as they lie in the shape; with `shape`
 * they stay where they are in the frame; with `photo` they are moved as far as the shape would be, which stays.
 *
 * @param from the template as it was when the drag began
 * @returns the spot within its bounds: photos can't be moved out of what they show in
 */
export function withShapeMoved<T extends Placed>(template: T, from: Placed, shape: Shape, moves: Moves): T {
  const by = [shape.box.cx - from.shape.box.cx, shape.box.cy - from.shape.box.cy] as const;
  const next = moves === 'photo' ? template.shape : shape;
  const [before, after] = [photoBox(from), photoBox({ ...template, shape: next })];
  const sides = (box: typeof before) => [[box.cx, box.width], [box.cy, box.height]] as const; // prettier-ignore
  const spot = ([x, y]: readonly [number, number]): [number, number] => {
    const [wide, high] = [0, 1].map((axis) => {
      const [[middle, side], [to, length]] = [sides(before)[axis]!, sides(after)[axis]!];
      const place = ([x, y][axis]! - 0.5) * side + middle;
      // Around a window the photo lies in the frame: moving the shape leaves it where it is.
      const moved = moves === 'shape' || (moves === 'both' && from.mode === 'cutout') ? place : place + by[axis]!;
      return fine((moved - to) / length + 0.5);
    });
    return [wide!, high!];
  };
  const isKept = moves === 'both' && from.mode === 'cutout';
  return { ...template, shape: next, centring: isKept ? template.centring : { ...template.centring, at: spot(from.centring.at) } }; // prettier-ignore
}
