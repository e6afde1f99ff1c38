/** Paints laid out for one picture. */
import { flatRamp, placesOf, rampOf, type LinePaint, type PaintBox, type PaintRows } from '../paint';
import { alongField, depthField, type Line, type PixelWindow } from '../raster';
import type { Polygon } from '../shape';

export type PaintGround = {
  /** The shape in pixels: what gradients follow inwards. */
  readonly outline: readonly Polygon[];
  /** The line that is painted: what gradients follow along it. */
  readonly line?: Line;
  /** What a gradient fills, pixels. */
  readonly box: PaintBox;
  /** Pixels per frame unit. */
  readonly scale: number;
  /** The pixels that are asked for. */
  readonly window: PixelWindow;
};

/** The bounds of polygons. */
export function boxOf(polygons: readonly Polygon[]): PaintBox {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const polygon of polygons)
    for (const [x, y] of polygon) {
      left = Math.min(left, x);
      right = Math.max(right, x);
      top = Math.min(top, y);
      bottom = Math.max(bottom, y);
    }
  return right < left
    ? { left: 0, top: 0, width: 0, height: 0 }
    : { left, top, width: right - left, height: bottom - top };
}

/** A paint with its layer's opacity, ready to be asked row by row. */
export function paintRows(paint: LinePaint, opacity: number, ground: PaintGround): PaintRows {
  if (typeof paint === 'string') return { ramp: flatRamp(paint, opacity), places: { kind: 'flat' } };
  const ramp = rampOf(paint.stops, opacity);
  const { outline, window, scale } = ground;
  if (paint.kind === 'contour') {
    const values = depthField(outline, paint.depth * scale, window);
    return { ramp, places: { kind: 'field', field: { ...window, values } } };
  }
  if (paint.kind === 'along') {
    const values = alongField(ground.line ?? { outline, reach: 0 }, window);
    return { ramp, places: { kind: 'field', field: { ...window, values } } };
  }
  return { ramp, places: placesOf(paint, ground.box) };
}
