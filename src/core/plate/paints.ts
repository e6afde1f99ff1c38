/** Paints laid out for one picture. */
import { flatRamp, placesOf, rampOf, type LinePaint, type PaintBox, type PaintRows } from '../paint';
import { alongField, depthField, type Line, type PixelWindow } from '../raster';
import { boundsOf, type Polygon } from '../shape';

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

/** The bounds of polygons as a gradient's box. */
export function boxOf(polygons: readonly Polygon[]): PaintBox {
  const [left, top, right, bottom] = boundsOf(polygons) ?? [0, 0, 0, 0];
  return { left, top, width: right - left, height: bottom - top };
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
