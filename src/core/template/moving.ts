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
  if (moves === 'both' && from.mode === 'cutout') return { ...template, shape };
  const next = moves === 'photo' ? template.shape : shape;
  const [before, after] = [photoBox(from), photoBox({ ...template, shape: next })];
  // Around a window the photo lies in the frame: moving the shape leaves it where it is.
  const [dx, dy] = moves !== 'shape' ? [shape.box.cx - from.shape.box.cx, shape.box.cy - from.shape.box.cy] : [0, 0];
  const [x, y] = from.centring.at;
  const at: [number, number] = [
    fine((before.cx + (x - 0.5) * before.width + dx - after.cx) / after.width + 0.5),
    fine((before.cy + (y - 0.5) * before.height + dy - after.cy) / after.height + 0.5),
  ];
  return { ...template, shape: next, centring: { ...template.centring, at } };
}
