/** Layers made larger or smaller with the frame. */
import type { LinePaint } from '../paint';
import { layerMoved, type Placed } from './pictured';

type Point = readonly [x: number, y: number];

export type Growth = {
  /** A length as it becomes. */
  readonly length: (v: number) => number;
  /** A point as it becomes. */
  readonly place: (at: Point) => Point;
};

/** A paint; lengths have only the depth of one that follows the outline, and the size of a texture. */
export function grownPaint<P extends LinePaint>(paint: P, { length }: Growth): P {
  if (typeof paint !== 'object') return paint;
  if (paint.kind === 'contour') return { ...paint, depth: length(paint.depth) };
  return paint.kind === 'texture' || paint.kind === 'pattern'
    ? { ...paint, size: Math.max(0.01, length(paint.size)) }
    : paint;
}

function grownValue(value: unknown, growth: Growth): unknown {
  if (Array.isArray(value)) return value.map((v: number) => growth.length(v));
  return typeof value === 'number' ? growth.length(value) : value;
}

type Lengths<L> = {
  readonly lengths: readonly (keyof L)[];
  readonly places?: readonly (keyof L)[];
  readonly isPlaced?: boolean;
  readonly parts?: Readonly<Record<string, Lengths<never> | undefined>>;
};

/** A layer with all its lengths, points and paints as they become. */
export function grown<L extends object>(
  { lengths, places = [], isPlaced = false, parts = {} }: Lengths<L>,
  layer: L,
  growth: Growth,
): L {
  const next = { ...layer } as L & { paint?: LinePaint };
  for (const key of lengths) next[key] = grownValue(next[key], growth) as L[typeof key] & LinePaint;
  for (const key of places) next[key] = growth.place(next[key] as Point) as L[typeof key] & LinePaint;
  for (const [key, part] of Object.entries(parts) as [keyof L, Lengths<object>][])
    if (next[key]) next[key] = grown(part, next[key], growth) as L[typeof key] & LinePaint;
  if (next.paint) next.paint = grownPaint(next.paint, growth);
  return isPlaced ? layerMoved(next as L & Placed, growth.place, growth.length) : next;
}
