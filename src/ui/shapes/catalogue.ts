/** Shapes as they begin when they are picked. */
import {
  completeShape,
  pathData,
  shapeSchema,
  unite,
  type Box,
  type CatalogueEntry,
  type Shape,
  type ShapeDocument,
} from '@/core/shape';
import { readSvg } from '@/core/svg';

type Room = Pick<Box, 'cx' | 'cy' | 'width' | 'height'>;

/** The largest box of a kind's natural proportions within some room. */
function boxWithin({ cx, cy, width, height }: Room, aspect: number): Room {
  const w = Math.min(width, height * aspect);
  return { cx, cy, width: w, height: w / aspect };
}

/** An entry of the catalogue, in the room that the shape before it took. */
export function freshShape({ kind, aspect, params }: CatalogueEntry, room: Room): Shape {
  const box = boxWithin(room, aspect);
  const side = Math.min(box.width, box.height);
  const document = { kind, box, ...params(side) };
  const shape = completeShape(shapeSchema.parse(document), { width: side, height: side });
  // Lengths begin in proportion to the shape, which may be in millimetres.
  return 'radius' in shape && shape.kind === 'bubble' ? { ...shape, radius: Math.round(side * 12) / 100 } : shape;
}

/**
 * The outlines of an SVG file as one shape, its proportions kept; several outlines
 * become a part each, or are joined into one.
 *
 * @throws WobrelError with a sentence that says why it is refused
 */
export function shapeFromSvg(text: string, room: Room, as: 'one' | 'parts'): Shape {
  const read = readSvg(text);
  const parts = as === 'one' ? [unite(read.parts)] : read.parts;
  const [first, ...others] = parts.map((outline): ShapeDocument => ({
    kind: 'path',
    d: pathData(outline),
    fillRule: 'nonzero',
  }));
  const document =
    others.length === 0
      ? first!
      : { kind: 'combined', parts: [first, ...others].map((shape) => ({ op: 'add', shape })) };
  const shape = completeShape(shapeSchema.parse(document), room);
  const { width, height } = shape.box;
  return { ...shape, box: { ...shape.box, ...boxWithin(room, width / height) } };
}
