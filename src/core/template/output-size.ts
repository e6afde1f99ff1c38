/** How large an output is. */
import type { z } from 'zod';
import type { outputSchema, TemplateDocument } from './schema';
import { pixelsPerUnit } from './units';

type Frame = TemplateDocument['frame'];
export type OutputSize = NonNullable<z.infer<typeof outputSchema>['size']>;

/** Pixels of the frame's whole width at its own resolution, at least 1. */
export function frameWidthInPixels(frame: Frame): number {
  return Math.max(1, Math.round(frame.width * pixelsPerUnit(frame.unit, frame.ppi)));
}

/** Pixels of a picture's width, at least 1. */
export function widthFor(size: OutputSize, frame: Frame): number {
  if (size === 'frame') return frameWidthInPixels(frame);
  if ('factor' in size)
    return Math.max(1, Math.round(frame.width * pixelsPerUnit(frame.unit, frame.ppi) * size.factor));
  return Math.max(1, Math.round(size.width * pixelsPerUnit(size.unit, size.ppi)));
}

/** Outputs in another frame: those that go by it follow. */
export const inFrame = <O extends { readonly size: OutputSize | null; readonly width: number }>(
  outputs: readonly O[],
  frame: Frame,
): O[] => outputs.map((output) => (output.size ? { ...output, width: widthFor(output.size, frame) } : output));

/** Height in pixels of an output `width` pixels wide. */
export function outputHeight(frame: Frame, width: number): number {
  return Math.max(1, Math.round((width * frame.height) / frame.width));
}
