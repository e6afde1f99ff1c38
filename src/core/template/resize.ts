/** A template made for another frame. */
import { scaleShape } from '../shape';
import type { Template } from './template';
import { pixelsPerUnit, type Unit } from './units';

/** Decimals that lengths are kept to: readable, and fine enough that pixels come back from any unit as they were. */
const DECIMALS: Readonly<Record<Unit, number>> = { px: 3, mm: 5, cm: 6, in: 6, pt: 5 };

function tidyIn(unit: Unit) {
  const k = 10 ** DECIMALS[unit];
  return (v: number) => Math.round(v * k) / k;
}

/** Every length times `factor`, the shape moved so that its middle lies at the same share of the frame. */
function scaled(template: Template, factor: number, frame: Template['frame']): Template {
  const tidy = tidyIn(frame.unit);
  const { box } = template.shape;
  const shape = scaleShape(template.shape, (v) => tidy(v * factor), {
    ...box,
    cx: tidy((box.cx / template.frame.width) * frame.width),
    cy: tidy((box.cy / template.frame.height) * frame.height),
    width: tidy(box.width * factor),
    height: tidy(box.height * factor),
  });
  return {
    ...template,
    frame,
    shape,
    edge: {
      ...template.edge,
      rounding: tidy(template.edge.rounding * factor),
      feather: tidy(template.edge.feather * factor),
    },
    borders: template.borders.map((b) => ({ ...b, width: tidy(b.width * factor), gap: tidy(b.gap * factor) })),
    shadows: template.shadows.map((s) => ({
      ...s,
      x: tidy(s.x * factor),
      y: tidy(s.y * factor),
      blur: tidy(s.blur * factor),
      spread: tidy(s.spread * factor),
    })),
  };
}

/** The same picture in a frame of another size: everything grows or shrinks with the side that changes less. */
export function resizeFrame(template: Template, width: number, height: number): Template {
  const factor = Math.min(width / template.frame.width, height / template.frame.height);
  return scaled(template, factor, { ...template.frame, width, height });
}

/** The same picture measured in another unit; the frame keeps its size in pixels. */
export function convertUnit(template: Template, unit: Unit): Template {
  const { frame } = template;
  const factor = pixelsPerUnit(frame.unit, frame.ppi) / pixelsPerUnit(unit, frame.ppi);
  const tidy = tidyIn(unit);
  return scaled(template, factor, {
    ...frame,
    unit,
    width: tidy(frame.width * factor),
    height: tidy(frame.height * factor),
  });
}
