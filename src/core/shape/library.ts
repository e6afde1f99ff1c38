/** Shapes as they are kept in the library: of one size, so that the same shape is known again wherever it is used. */
import { isCatalogue, scaleShape, type Shape } from './shape';
import type { Box } from './schema';

/** Longest side of a shape in the library. */
export const LIBRARY_SIZE = 1000;

/** A square frame with a shape of the library's size in its middle. */
export const LIBRARY_FRAME = { width: 1200, height: 1200 } as const;

const rounded = (v: number) => Math.round(v * 10) / 10;

function scaledTo(shape: Shape, side: number, place: Partial<Box>): Shape {
  const { box } = shape;
  const k = side / Math.max(box.width, box.height);
  return scaleShape(shape, (v) => rounded(v * k), {
    ...box,
    width: rounded(box.width * k),
    height: rounded(box.height * k),
    ...place,
  });
}

/** The shape in the library's size, in the middle of its frame; it stays turned as it was. */
export const forLibrary = (shape: Shape): Shape =>
  scaledTo(shape, LIBRARY_SIZE, { cx: LIBRARY_FRAME.width / 2, cy: LIBRARY_FRAME.height / 2 });

/** The shape as large as fits into some room, in its middle. */
export function fitted(shape: Shape, { cx, cy, width, height }: Pick<Box, 'cx' | 'cy' | 'width' | 'height'>): Shape {
  const k = Math.min(width / shape.box.width, height / shape.box.height);
  return scaleShape(shape, (v) => v * k, {
    ...shape.box,
    cx,
    cy,
    width: shape.box.width * k,
    height: shape.box.height * k,
  });
}

/** A text that is the same for the same shape in any place, size and turn. */
export const shapeKey = (shape: Shape): string =>
  JSON.stringify(
    scaledTo(shape, LIBRARY_SIZE, { cx: 0, cy: 0, angle: 0, mirror: false }),
    Object.keys(flat(shape)).sort(),
  );

/** Every name that JSON.stringify is to keep, whatever the depth. */
function flat(value: unknown): Record<string, true> {
  if (typeof value !== 'object' || value === null) return {};
  return Object.assign({}, ...Object.entries(value).map(([key, inner]) => ({ [key]: true, ...flat(inner) }))) as Record<
    string,
    true
  >;
}

/** Keys of a shape and of all its parts, and the catalogue kinds among them as `kind:star`. */
export function shapeKeys(shape: Shape): string[] {
  const own = [shapeKey(shape), ...(isCatalogue(shape) ? [`kind:${shape.kind}`] : [])];
  return shape.kind === 'combined' ? [...own, ...shape.parts.flatMap((part) => shapeKeys(part.shape))] : own;
}
