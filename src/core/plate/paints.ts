/** Paints laid out for one picture. */
import {
  flatRamp,
  isPicked,
  placesOf,
  rampOf,
  type LinePaint,
  type PaintBox,
  type PaintRows,
  type Picked,
} from '../paint';
import { alongField, depthField, type Beside, type Line, type PixelWindow } from '../raster';
import { boundsOf, type Polygon } from '../shape';
import { inPlaces, inSteps } from './steps';
import { patternColours } from './patterns';
import { textureValues } from './textures';

export type PaintGround = {
  /** The shape in pixels: what gradients follow inwards. */
  readonly outline: readonly Polygon[];
  /** The line that is painted: what gradients follow along it. */
  readonly line?: Line;
  /** Where its pixels lie beside that line, of a paint that runs along it. */
  readonly beside?: Beside | null;
  /** Only these of the window's places are asked for; all of them where none are said. */
  readonly places?: Int32Array | null;
  /** What its texture comes to there, in their order, where that is known. */
  readonly texture?: Float32Array | null;
  /** The frame's corner, pixels. */
  readonly corner: readonly [x: number, y: number];
  /** What a gradient fills, pixels. */
  readonly box: PaintBox;
  /** Pixels per frame unit. */
  readonly scale: number;
  /** The pixels that are asked for. */
  readonly window: PixelWindow;
  /** The colours that each photo gives. */
  readonly picks: readonly Picked[];
};

/** The bounds of polygons as a gradient's box. */
export function boxOf(polygons: readonly Polygon[]): PaintBox {
  const [left, top, right, bottom] = boundsOf(polygons) ?? [0, 0, 0, 0];
  return { left, top, width: right - left, height: bottom - top };
}

/** A paint with its layer's opacity, ready to be asked row by row; one that a photo gives says its alpha only, and which of them it is. */
export type LaidPaint = PaintRows & { readonly pick: number };

export const samePick = (a: Picked, b: Picked): boolean => a.from === b.from && a.tone === b.tone;

export function paintRows(paint: LinePaint, opacity: number, ground: PaintGround): LaidPaint {
  if (typeof paint === 'string') return { ramp: flatRamp(paint, opacity), places: { kind: 'flat' }, pick: -1 };
  if (isPicked(paint)) {
    const pick = ground.picks.findIndex((other) => samePick(paint, other));
    return { ramp: flatRamp('#000000', opacity), places: { kind: 'flat' }, pick };
  }
  const { outline, window, scale, beside = null, places = null } = ground;
  if (paint.kind === 'pattern') {
    const { picture } = paint;
    if (picture === null) return { ramp: flatRamp('#000000', 0), places: { kind: 'flat' }, pick: -1 };
    const ramp = patternColours({ ...paint, picture }, opacity, { ...ground, beside, places });
    return { ramp, places: { kind: 'each', window }, pick: -1 };
  }
  const ramp = rampOf(paint.stops, opacity);
  const field = (values: Uint16Array) => ({ ramp, places: { kind: 'field', field: { ...window, values } }, pick: -1 }) as const; // prettier-ignore
  if (paint.kind === 'contour') return field(depthField(outline, paint.depth * scale, window));
  if (paint.kind === 'along') return field(alongField(ground.line ?? { outline, reach: 0 }, window));
  if (paint.kind === 'texture') {
    const values = ground.texture ?? textureValues(paint, { ...ground, beside, places });
    return field(places ? inPlaces(values, places, window.width * window.height) : inSteps(values));
  }
  return { ramp, places: placesOf(paint, ground.box), pick: -1 };
}
