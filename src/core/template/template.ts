/** A template ready to be used: read, checked and with every default filled in. */
import type { z } from 'zod';
import { WobrelError } from '../errors';
import { completeShape, outlineOf, roundOutline, type Outline, type Shape } from '../shape';
import { documentSchema, type Border, type outputSchema, type TemplateDocument } from './schema';
import { refuseUnsupported } from './support';
import { pixelsPerUnit } from './units';

export type Output = z.infer<typeof outputSchema> & { readonly width: number };

export type Template = Omit<TemplateDocument, 'shape' | 'borders' | 'outputs' | 'backdrop'> & {
  readonly shape: Shape;
  readonly borders: readonly Border[];
  readonly backdrop: string | null;
  readonly outputs: readonly Output[];
};

/** Most pixels one output may have: the limit for photos, too. */
export const MAX_PIXELS = 100_000_000;

/** Field path in the notation of the document: `borders[0].width`. */
function pathOf(path: readonly PropertyKey[]): string {
  return path.reduce<string>(
    (text, key) => (typeof key === 'number' ? `${text}[${key}]` : text ? `${text}.${String(key)}` : String(key)),
    '',
  );
}

function refusal(issue: z.core.$ZodIssue): WobrelError {
  if (issue.code === 'unrecognized_keys') {
    const path = pathOf([...issue.path, issue.keys[0]!]);
    return new WobrelError('template-unknown-key', `unknown field: ${path}`, path);
  }
  const path = pathOf(issue.path);
  return new WobrelError('template-invalid', `${path || 'template'}: ${issue.message}`, path || null);
}

/** Pixels of the frame's whole width at its own resolution, at least 1. */
export function frameWidthInPixels(frame: TemplateDocument['frame']): number {
  return Math.max(1, Math.round(frame.width * pixelsPerUnit(frame.unit, frame.ppi)));
}

/** Height in pixels of an output `width` pixels wide. */
export function outputHeight(frame: TemplateDocument['frame'], width: number): number {
  return Math.max(1, Math.round((width * frame.height) / frame.width));
}

/**
 * Reads a template document.
 *
 * @throws WobrelError `template-invalid`, `template-unknown-key` or `template-unsupported`
 *   with the path of the first field at fault
 */
export function parseTemplate(document: unknown): Template {
  const read = documentSchema.safeParse(document);
  if (!read.success) throw refusal(read.error.issues[0]!);
  const { frame } = read.data;
  const { shape, borders, backdrop, outputs, ...rest } = refuseUnsupported(read.data);
  outputs.forEach((output, i) => {
    const width = output.width ?? frameWidthInPixels(frame);
    if (width * outputHeight(frame, width) > MAX_PIXELS)
      throw new WobrelError(
        'template-invalid',
        `outputs[${i}].width: an output of more than 100 megapixels`,
        `outputs[${i}].width`,
      );
  });
  return {
    ...rest,
    shape: completeShape(shape, frame),
    borders,
    backdrop,
    outputs: outputs.map((output) => ({
      ...output,
      width: output.width ?? frameWidthInPixels(frame),
      matte: output.matte ?? (output.format === 'jpeg' ? '#ffffff' : null),
    })),
  };
}

/** How far the line along which a feathered photo shows by half lies outside the outline, frame units; negative inside. */
export const featherShift = ({ feather, featherSide }: Template['edge']): number =>
  featherSide === 'centre' ? 0 : featherSide === 'inside' ? -feather : feather;

/** How far beyond the outline a feathered photo shows, frame units: three standard deviations from the middle of its fade. */
export const featherReach = (edge: Template['edge']): number =>
  edge.featherSide === 'inside' ? 0 : featherShift(edge) + 1.5 * edge.feather;

/** The template's outline in frame units: its shape, with rounded corners. */
export const templateOutline = ({ shape, edge }: Pick<Template, 'shape' | 'edge'>): Outline =>
  roundOutline(outlineOf(shape), edge.rounding);
