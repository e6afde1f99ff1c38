/** How large an output is. */
import type { z } from 'zod';
import type { outputSchema } from './outputs';
import type { TemplateDocument } from './schema';
import { pixelsPerUnit } from './units';

type Frame = TemplateDocument['frame'];
export type OutputSize = NonNullable<z.infer<typeof outputSchema>['size']>;

/** Pixels of a frame's or picture's whole width at its own resolution, at least 1. */
export function frameWidthInPixels({ width, unit, ppi }: Frame): number {
  return Math.max(1, Math.round(width * pixelsPerUnit(unit, ppi)));
}

/** Pixels of a picture's width, at least 1. */
export function widthFor(size: OutputSize, picture: Frame): number {
  if (size === 'frame') return frameWidthInPixels(picture);
  if ('factor' in size)
    return Math.max(1, Math.round(picture.width * pixelsPerUnit(picture.unit, picture.ppi) * size.factor));
  if ('height' in size) return Math.max(1, Math.round((size.height * picture.width) / picture.height));
  // The longer side is the width, or else the height.
  if ('longest' in size) return picture.width >= picture.height ? size.longest : widthFor({ height: size.longest }, picture); // prettier-ignore
  return Math.max(1, Math.round(size.width * pixelsPerUnit(size.unit, size.ppi)));
}

/** Outputs of another picture: those that go by its size follow. */
export const inPicture = <O extends { readonly size: OutputSize | null; readonly width: number }>(
  outputs: readonly O[],
  picture: Frame,
): O[] => outputs.map((output) => (output.size ? { ...output, width: widthFor(output.size, picture) } : output));

/** Height in pixels of an output `width` pixels wide. */
export function outputHeight(picture: Pick<Frame, 'width' | 'height'>, width: number): number {
  return Math.max(1, Math.round((width * picture.height) / picture.width));
}

/** The size that gives so many times the pixels, said in the same way; null stays, since it says nothing. */
export function timesSize(size: OutputSize | null, n: number): OutputSize | null {
  if (size === null) return null;
  if (size === 'frame') return { factor: n };
  if ('factor' in size) return { factor: size.factor * n };
  if ('height' in size) return { height: size.height * n };
  if ('longest' in size) return { longest: size.longest * n };
  // As large in print, and finer.
  return { ...size, ppi: size.ppi * n };
}

/** The outputs that the `i`-th cutout gives files of, from 0, by their places: what has no photo in it is made once. */
export const outputsOf = <O extends { readonly content: 'cutout' | 'framing' }>(
  outputs: readonly O[],
  i: number,
): readonly { readonly output: O; readonly place: number }[] =>
  outputs.flatMap((output, place) => (i === 0 || output.content === 'cutout' ? [{ output, place }] : []));
