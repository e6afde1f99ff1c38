/** Shape documents into outlines. */
import { kept } from '../kept';
import { WobrelError } from '../errors';
import { after, stepMap } from './affine';
import { boundsOfOutline } from './bounds';
import { freshBudget, spendSegments, type Budget } from './budget';
import { combine, resolve } from './combine';
import { mapOutline, reversed, type Affine, type Contour, type Outline, type Point } from './path';
import type { Control } from './definition';
import { parsePathData } from './path-data';
import { SHAPES, type ShapeKind } from './registry';
import { MAX_DEPTH, type Box, type CombinedDocument, type PartDocument, type ShapeDocument } from './schema';

type WithBox<S> = S extends unknown ? Omit<S, 'box'> & { readonly box: Box } : never;

/** A shape with every box worked out. */
export type Shape = WithBox<Exclude<ShapeDocument, { kind: 'combined' }>> | CombinedShape;
export type ShapePart = Omit<PartDocument, 'shape'> & { readonly shape: Shape };
export type CombinedShape = { readonly kind: 'combined'; readonly box: Box; readonly parts: readonly ShapePart[] };
export type CatalogueShape = Extract<Shape, { kind: ShapeKind }>;

type Frame = { readonly width: number; readonly height: number };

/** Share of the frame's shorter side that a shape takes when nothing else is said. */
const DEFAULT_SHARE = 8 / 9;

function defaultBox({ width, height }: Frame): Box {
  const side = Math.min(width, height) * DEFAULT_SHARE;
  return { cx: width / 2, cy: height / 2, width: side, height: side, angle: 0, mirror: false };
}

/** What an outline takes up, as a box. */
function boxAround(outline: Outline): Box {
  const [left, top, right, bottom] = boundsOfOutline(outline);
  return {
    cx: (left + right) / 2,
    cy: (top + bottom) / 2,
    width: right - left,
    height: bottom - top,
    angle: 0,
    mirror: false,
  };
}

export const isCatalogue = (shape: ShapeDocument | Shape): shape is CatalogueShape => shape.kind in SHAPES;

function nothing(path: string): never {
  throw new WobrelError('template-invalid', `${path}: the shape has no area`, path);
}

/** The refusal of work on a shape with the shape's path in it. */
function at<T>(path: string, work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (error instanceof WobrelError && error.at === null)
      throw new WobrelError(error.code, `${path}: ${error.message}`, path);
    throw error;
  }
}

/** A combined shape whose parts have their boxes. */
function completeCombined(document: CombinedDocument, frame: Frame, path: string, depth: number): CombinedShape {
  const parts = document.parts.map((part, i) => ({
    ...part,
    shape: completeShape(part.shape, frame, `${path}.parts[${i}].shape`, depth + 1),
  }));
  const outline = at(path, () => ownOutline({ kind: 'combined', parts, box: ANYWHERE }, freshBudget()));
  if (outline.length === 0) nothing(path);
  return { ...document, parts, box: document.box ?? boxAround(outline) };
}

const ANYWHERE: Box = { cx: 0, cy: 0, width: 1, height: 1, angle: 0, mirror: false };

/**
 * The shape with its boxes filled in: catalogue kinds lie in the middle of the frame,
 * paths, letters and combined shapes where they stand.
 *
 * @param path of the shape in the document, for refusals
 * @throws WobrelError `template-invalid` where there is no area, `path-invalid` where path data can't be read,
 *   `shape-intricate` where it would take too long
 */
export function completeShape(document: ShapeDocument, frame: Frame, path = 'shape', depth = 1): Shape {
  if (depth > MAX_DEPTH) throw new WobrelError('template-invalid', `${path}: shapes are nested too deeply`, path);
  if (document.kind === 'combined') return completeCombined(document, frame, path, depth);
  if (isCatalogue(document)) return { ...document, box: document.box ?? defaultBox(frame) };
  const shape = { ...document, box: document.box ?? ANYWHERE } as Exclude<Shape, CatalogueShape>;
  const outline = at(`${path}.d`, () => ownOutline(shape, freshBudget()));
  if (outline.length === 0) nothing(`${path}.d`);
  return { ...shape, box: document.box ?? boxAround(outline) };
}

/**
 * The shape as it is where every box has been filled in before, as in documents that are
 * kept; null where one is missing that only the outline tells. Works nothing out.
 */
export function keptShape(document: ShapeDocument, frame: Frame, depth = 1): Shape | null {
  if (depth > MAX_DEPTH) return null;
  if (isCatalogue(document)) return { ...document, box: document.box ?? defaultBox(frame) };
  if (!document.box) return null;
  if (document.kind !== 'combined') return document as Shape;
  const parts: ShapePart[] = [];
  for (const part of document.parts) {
    const shape = keptShape(part.shape, frame, depth + 1);
    if (!shape) return null;
    parts.push({ ...part, shape });
  }
  return { ...document, box: document.box, parts };
}

/** From around the origin to where a box lies: scaled, mirrored, turned and moved to its centre. */
export function placing({ cx, cy, angle, mirror }: Box, sx = 1, sy = 1): Affine {
  const radians = (angle * Math.PI) / 180;
  // Whole quarter turns are exact.
  const [cos, sin] =
    angle % 90 === 0
      ? [Math.round(Math.cos(radians)), Math.round(Math.sin(radians))]
      : [Math.cos(radians), Math.sin(radians)];
  const x = mirror ? -sx : sx;
  return [cos * x, sin * x, -sin * sy, cos * sy, cx, cy];
}

/** From shares of a box, from its left top corner, to where they lie. */
export const boxPlaces = (box: Box): Affine => after(placing(box, box.width, box.height), [1, 0, 0, 1, -0.5, -0.5]);

/** Turning a mirrored outline's contours round again keeps what is filled clockwise. */
const upright = (outline: Outline, mirrored: boolean): Outline =>
  mirrored ? outline.map((contour) => reversed(contour)) : outline;

/** Outlines that took long to work out, by their documents: a slider asks for the same again and again. */
const remember = kept<Outline>(24);

/** A drawn, lettered or combined shape's outline before it is fitted to its box: what takes long. Null for catalogue kinds, which don't. */
export const longOutline = (shape: Shape): Outline | null =>
  isCatalogue(shape) ? null : ownOutline(shape, freshBudget());

const keyOf = (shape: Exclude<Shape, CatalogueShape>): string => {
  if (shape.kind === 'combined') return JSON.stringify(shape.parts);
  return `${shape.kind === 'path' ? shape.fillRule : 'nonzero'} ${shape.d}`;
};

/** Takes a long outline that was kept from before, so that it isn't worked out again. */
export function recallOutline(shape: Shape, outline: Outline): void {
  if (!isCatalogue(shape)) remember(keyOf(shape), () => outline);
}

/** The outline before it is fitted to a box. */
function ownOutline(shape: Exclude<Shape, CatalogueShape>, budget: Budget): Outline {
  return remember(keyOf(shape), () => {
    if (shape.kind === 'combined') return combinedOutline(shape.parts, budget);
    const contours = parsePathData(shape.d);
    spendSegments(budget, countOf(contours));
    return resolve(contours, shape.kind === 'path' ? shape.fillRule : 'nonzero', budget);
  });
}

const countOf = (outline: Outline) => outline.reduce((sum, { cubics }) => sum + cubics.length, 0);

/** A part and its copies. */
function copiesOf(outline: Outline, { count, about, ...step }: ShapePart['repeat'], box: Box): Outline[] {
  const middle: Point = about ?? [box.cx, box.cy];
  return Array.from({ length: count }, (_, i) => (i === 0 ? outline : mapOutline(outline, stepMap(step, i, middle))));
}

function combinedOutline(parts: readonly ShapePart[], budget: Budget): Outline {
  const pieces = parts
    .filter((part) => !part.off)
    .flatMap(({ op, repeat, shape }) => {
      const outline = outlineOf(shape, budget);
      spendSegments(budget, countOf(outline) * repeat.count);
      return copiesOf(outline, repeat, shape.box).map((copy) => ({ op, outline: copy }));
    });
  return combine(pieces, budget);
}

/**
 * The outline of a shape in frame units: contours that don't overlap, holes turning the other way.
 *
 * @throws WobrelError `shape-intricate` where it would take too long
 */
export function outlineOf(shape: Shape, budget: Budget = freshBudget()): Outline {
  const { box } = shape;
  if (isCatalogue(shape)) {
    // The kind picks the definition whose parameters the shape carries.
    const { outline } = SHAPES[shape.kind] as { outline: (params: unknown, extent: Frame) => Outline };
    return upright(mapOutline(outline(shape, box), placing(box)), box.mirror);
  }
  const own = ownOutline(shape, budget);
  return upright(mapOutline(own, fitting(own, box)), box.mirror);
}

/** From where an outline stands to the box that it is fitted to. */
function fitting(own: Outline, box: Box): Affine {
  const { cx, cy, width, height } = boxAround(own);
  // One map rather than two: every map rounds to 1/4096.
  return after(placing(box, box.width / width, box.height / height), [1, 0, 0, 1, -cx, -cy]);
}

/** From a combined shape's parts as they are written to the frame. */
export const partsMap = (shape: CombinedShape): Affine => fitting(ownOutline(shape, freshBudget()), shape.box);

/** A drawn outline's contours in the frame as they were drawn, overlaps and all; of any other shape, its outline. */
export function contoursOf(shape: Shape): readonly Contour[] {
  if (shape.kind !== 'path') return outlineOf(shape);
  const map = fitting(ownOutline(shape, freshBudget()), shape.box);
  return mapOutline(parsePathData(shape.d), map);
}

/** True where the shape is itself in any proportion. */
export const takesAnyProportion = (shape: Shape): boolean =>
  isCatalogue(shape) && (SHAPES[shape.kind] as { anyProportion?: boolean }).anyProportion === true;

/** The shape in another box, every length among its own parameters put through `scale`. */
export function scaleShape(shape: Shape, scale: (length: number) => number, box: Box): Shape {
  if (!isCatalogue(shape)) return { ...shape, box };
  const controls: Readonly<Record<string, Control>> = SHAPES[shape.kind].controls;
  const scaled = Object.entries(shape).map(([key, value]) => {
    const as = controls[key]?.as;
    if (as === 'length') return [key, scale(value as number)];
    return [key, as === 'corners' ? (value as number[]).map(scale) : value];
  });
  return { ...(Object.fromEntries(scaled) as CatalogueShape), box };
}

/**
 * A combined shape with other parts, where it stood: a box that followed from the parts
 * follows again, scaled as it was. Null where the parts leave nothing.
 */
export function combinedOf(parts: readonly ShapePart[], before: CombinedShape): CombinedShape | null {
  const outline = ownOutline({ ...before, parts }, freshBudget());
  if (outline.length === 0) return null;
  const [was, is] = [boxAround(ownOutline(before, freshBudget())), boxAround(outline)];
  const { box } = before;
  const [kx, ky] = [box.width / was.width, box.height / was.height];
  const [dx, dy] = [(is.cx - was.cx) * kx, (is.cy - was.cy) * ky];
  // The parts keep their places on the frame, however the whole is turned.
  const [a, b, c, d] = placing(box);
  const moved = {
    ...box,
    cx: box.cx + a * dx + c * dy,
    cy: box.cy + b * dx + d * dy,
    width: is.width * kx,
    height: is.height * ky,
  };
  return { ...before, parts, box: moved };
}
