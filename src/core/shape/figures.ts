/** What a shape is like whatever its size. */
import { boundsOfOutline } from './bounds';
import { areaShare } from './measure';
import type { Outline } from './path';
import { thinnestPart } from './thin';

export type ShapeFigures = {
  /** Width over height. */
  readonly proportion: number;
  /** Its area as a share of its box. */
  readonly area: number;
  /** Width of its thinnest part as a share of its longer side; null where it is too intricate to tell. */
  readonly thin: number | null;
};

/** Takes a tenth of a second for intricate outlines: meant for a worker. */
export function shapeFigures(outline: Outline): ShapeFigures {
  const [left, top, right, bottom] = boundsOfOutline(outline);
  const [width, height] = [right - left, bottom - top];
  const thin = thinnestPart(outline);
  return {
    proportion: width / height,
    area: areaShare(outline, { width, height }),
    thin: thin && thin.width / Math.max(width, height),
  };
}
