/** A template made for another frame. */
import type { Growth } from '../layers';
import { grownFinish } from './grown-finish';
import { boundsOfOutline, outlineOf, scaleShape, takesAnyProportion, type Shape } from '../shape';
import { inPicture } from './output-size';
import { pictureOf } from './picture';
import type { Template } from './template';
import { withEachSlot } from './slots';
import { pixelsPerUnit, tidyIn, tidyLengthIn, type Unit } from './units';

export type Frame = Template['frame'];

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
  const tidyLength = tidyLengthIn(frame.unit);
  const inFrame = (shape: Shape) => {
    const { box } = shape;
    // A shape that lies turned has no sides along the frame's.
    const follows = takesAnyProportion(shape) && box.angle === 0;
    return scaleShape(shape, (v) => tidy(v * factor), {
      ...box,
      cx: tidy(box.cx * across),
      cy: tidy(box.cy * down),
      width: tidyLength(box.width * (follows ? across : factor)),
      height: tidyLength(box.height * (follows ? down : factor)),
    });
  };
  const length = (v: number) => tidyLength(v * factor);
  /** What lies beyond the frame stays as far from it as lengths do. */
  const along = (v: number, end: number, by: number) => (v > end ? tidy(end * by) + length(v - end) : tidy(v * by));
  const growth: Growth = {
    length,
    place: ([x, y]) => [along(x, template.frame.width, across), along(y, template.frame.height, down)],
  };
  const grownIn = (one: Template) => ({ ...one, shape: inFrame(one.shape), ...grownFinish(one, growth) });
  const next = { ...withEachSlot(grownIn(template), template, grownIn), frame };
  return { ...next, outputs: inPicture(next.outputs, pictureOf(next)) };
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

/** Another mat round the frame; outputs that go by the picture's size follow. */
export function withMat(template: Template, mat: Template['mat']): Template {
  const next = { ...template, mat };
  return { ...next, outputs: inPicture(next.outputs, pictureOf(next)) };
}
