/** A template made for another frame. */
import type { LinePaint } from '../paint';
import { boundsOfOutline, outlineOf, scaleShape, takesAnyProportion } from '../shape';
import { inFrame } from './output-size';
import type { Template } from './template';
import { pixelsPerUnit, type Unit } from './units';

export type Frame = Template['frame'];

/** Decimals that lengths are kept to: readable, and fine enough that pixels come back from any unit as they were. */
const DECIMALS: Readonly<Record<Unit, number>> = { px: 3, mm: 5, cm: 6, in: 6, pt: 5 };

function tidyIn(unit: Unit) {
  const k = 10 ** DECIMALS[unit];
  return (v: number) => Math.round(v * k) / k;
}

/** The same frame measured in another unit; it keeps its size in pixels. */
export function frameIn(frame: Frame, unit: Unit): Frame {
  const factor = pixelsPerUnit(frame.unit, frame.ppi) / pixelsPerUnit(unit, frame.ppi);
  const tidy = tidyIn(unit);
  return { ...frame, unit, width: tidy(frame.width * factor), height: tidy(frame.height * factor) };
}

/**
 * The same picture in another frame. The shape keeps its share of the frame and lies at
 * the same share of it: one that takes any proportion follows both sides, any other keeps
 * its own proportion and follows the side that changes less, as all other lengths do.
 * Outputs that go by the frame follow it.
 */
export function withFrame(template: Template, frame: Frame): Template {
  const tidy = tidyIn(frame.unit);
  const [across, down] = [frame.width / template.frame.width, frame.height / template.frame.height];
  const factor = Math.min(across, down);
  const { box } = template.shape;
  // A shape that lies turned has no sides along the frame's.
  const follows = takesAnyProportion(template.shape) && box.angle === 0;
  const shape = scaleShape(template.shape, (v) => tidy(v * factor), {
    ...box,
    cx: tidy(box.cx * across),
    cy: tidy(box.cy * down),
    width: tidy(box.width * (follows ? across : factor)),
    height: tidy(box.height * (follows ? down : factor)),
  });
  const scaled = <K extends string>(object: Readonly<Record<K, number>>, ...keys: K[]) =>
    Object.fromEntries(keys.map((key) => [key, tidy(object[key] * factor)])) as Record<K, number>;
  /** The only length that a paint has. */
  const painted = <P extends LinePaint>(paint: P): P =>
    typeof paint === 'object' && paint.kind === 'contour' ? { ...paint, depth: tidy(paint.depth * factor) } : paint;
  return {
    ...template,
    frame,
    shape,
    edge: { ...template.edge, ...scaled(template.edge, 'rounding', 'feather') },
    tints: template.tints.map((tint) => ({ ...tint, paint: painted(tint.paint) })),
    borders: template.borders.map((border) => ({
      ...border,
      ...scaled(border, 'width', 'gap'),
      paint: painted(border.paint),
      dash: border.dash && border.dash.map((length) => tidy(length * factor)),
    })),
    backdrop: template.backdrop && painted(template.backdrop),
    shadows: template.shadows.map((shadow) => ({
      ...shadow,
      ...scaled(shadow, 'x', 'y', 'blur', 'spread', 'reach', 'depth'),
    })),
    outputs: inFrame(template.outputs, frame),
  };
}

/** The shape as large as the frame, in its middle: on both sides, or, keeping its proportion and turn, on one. */
export function fillFrame(template: Template): Template {
  const { frame, shape } = template;
  const { box } = shape;
  const [cx, cy] = [frame.width / 2, frame.height / 2];
  if (takesAnyProportion(shape) && box.angle === 0)
    return { ...template, shape: { ...shape, box: { ...box, cx, cy, width: frame.width, height: frame.height } } };
  const [left, top, right, bottom] = boundsOfOutline(outlineOf(shape));
  const k = Math.min(frame.width / (right - left), frame.height / (bottom - top));
  const filled = scaleShape(shape, (v) => v * k, {
    ...box,
    cx: cx + (box.cx - (left + right) / 2) * k,
    cy: cy + (box.cy - (top + bottom) / 2) * k,
    width: box.width * k,
    height: box.height * k,
  });
  return { ...template, shape: filled };
}
