/** Places on a shape where its numbers can be held and pulled. */
import { z } from 'zod';
import {
  type CatalogueShape,
  type Control,
  type Extent,
  inverseOf,
  isCatalogue,
  mapPoint,
  placing,
  type Point,
  type Shape,
  SHAPES,
} from '../shape';

export type Handle = {
  readonly key: string;
  /** Which of several values under the same key (a rectangle's corners); 0 where there is one. */
  readonly place: number;
  readonly label: string;
  /** Frame units. */
  readonly at: Point;
};

type HandleAt = (params: unknown, extent: Extent, place: number) => Point;
type Definition = {
  readonly params: Readonly<Record<string, z.ZodType>>;
  readonly controls: Readonly<Record<string, Pick<Control, 'label' | 'as' | 'step'>>>;
  readonly handles: Readonly<Record<string, HandleAt>>;
};

const definitionOf = (shape: CatalogueShape) => SHAPES[shape.kind] as unknown as Definition;

/** Every handle of a shape; drawn, lettered and combined shapes have none of their own. */
export function handlesOf(shape: Shape): Handle[] {
  if (!isCatalogue(shape)) return [];
  const { controls, handles } = definitionOf(shape);
  const values = shape as unknown as Readonly<Record<string, number | readonly number[]>>;
  return Object.entries(handles).flatMap(([key, at]) => {
    const count = Array.isArray(values[key]) ? (values[key] as readonly number[]).length : 1;
    return Array.from({ length: count }, (_, place) => ({
      key,
      place,
      label: controls[key]!.label,
      at: mapPoint(placing(shape.box), at(shape, shape.box, place)),
    }));
  });
}

/** Least, most and wholeness of a parameter; lengths go no further than the shape is large. */
function rangeOf(schema: z.ZodType, { width, height }: Extent): { min: number; max: number; whole: boolean } {
  let inner = schema;
  while (inner instanceof z.ZodDefault) inner = inner.unwrap() as z.ZodType;
  if (inner instanceof z.ZodTuple) inner = (inner.def.items as readonly z.ZodType[])[0]!;
  const { minValue, maxValue, format } = inner as z.ZodNumber;
  return {
    min: minValue ?? 0,
    max: Math.min(maxValue ?? Infinity, format === 'safeint' ? Infinity : Math.max(width, height, 12)),
    whole: format === 'safeint',
  };
}

const SAMPLES = 64;
const REFINEMENTS = 40;

/** The value of `distance`'s least within the range: sampled, then narrowed down around the best. */
function least(distance: (v: number) => number, min: number, max: number): number {
  const step = (max - min) / SAMPLES;
  let best = min;
  for (let i = 1; i <= SAMPLES; i++) if (distance(min + i * step) < distance(best)) best = min + i * step;
  let [low, high] = [Math.max(min, best - step), Math.min(max, best + step)];
  for (let i = 0; i < REFINEMENTS; i++) {
    const [a, b] = [low + (high - low) / 3, high - (high - low) / 3];
    if (distance(a) <= distance(b)) high = b;
    else low = a;
  }
  return (low + high) / 2;
}

/** The fields of the shape once a handle is pulled as near as it can come to a point (frame units). */
export function pullHandle(shape: CatalogueShape, { key, place }: Pick<Handle, 'key' | 'place'>, to: Point): object {
  const { params, handles } = definitionOf(shape);
  const values = shape as unknown as Readonly<Record<string, number | readonly number[]>>;
  const [x, y] = mapPoint(inverseOf(placing(shape.box)), to);
  const before = values[key]!;
  const withValue = (v: number) =>
    typeof before === 'number' ? v : before.map((other, i) => (i === place ? v : other));
  const distance = (v: number) => {
    const [hx, hy] = handles[key]!({ ...shape, [key]: withValue(v) }, shape.box, place);
    return Math.hypot(hx - x, hy - y);
  };
  const { min, max, whole } = rangeOf(params[key]!, shape.box);
  if (!whole) return { [key]: withValue(Math.round(least(distance, min, max) * 1e4) / 1e4) };
  let best = min;
  for (let v = min; v <= max; v++) if (distance(v) < distance(best)) best = v;
  return { [key]: withValue(best) };
}

/**
 * The fields of the shape once a handle's number goes by that many steps, held within what its kind allows.
 * A step is the number's own, a hundredth of a share, and `lengthStep` (frame units) of a length.
 */
export function stepHandle(
  shape: CatalogueShape,
  { key, place }: Pick<Handle, 'key' | 'place'>,
  steps: number,
  lengthStep: number,
): object {
  const { params, controls } = definitionOf(shape);
  const { as, step } = controls[key]!;
  const by = as === 'length' || as === 'corners' ? lengthStep : (step ?? (as === 'share' ? 0.01 : 1));
  const { min, max } = rangeOf(params[key]!, shape.box);
  const stepped = (v: number) => Math.min(Math.max(Math.round((v + steps * by) * 1e4) / 1e4, min), Math.max(max, v));
  const before = (shape as unknown as Readonly<Record<string, number | readonly number[]>>)[key]!;
  return {
    [key]: typeof before === 'number' ? stepped(before) : before.map((v, i) => (i === place ? stepped(v) : v)),
  };
}
