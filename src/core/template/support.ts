/** Refuses what the document format has but the plate does not draw yet, so that nothing is silently ignored. */
import { WobrelError } from '../errors';
import { parseColour, type Paint } from '../paint';
import type { Border, TemplateDocument } from './schema';

const unsupported = (path: string) => new WobrelError('template-unsupported', `not supported yet: ${path}`, path);

function refuseUnless(drawn: boolean, path: string): void {
  if (!drawn) throw unsupported(path);
}

function colourOnly(paint: Paint, path: string): string {
  if (typeof paint !== 'string') throw unsupported(path);
  return paint;
}

/** A tint that is off or wholly transparent changes nothing, so it is drawn exactly. */
function isInvisible({ paint, opacity, on }: TemplateDocument['tints'][number]): boolean {
  return !on || opacity === 0 || (typeof paint === 'string' && parseColour(paint).alpha === 0);
}

const DRAWN_FORMATS: readonly string[] = ['png', 'webp', 'jpeg'];

/**
 * The document with the types of what is drawn.
 *
 * @throws WobrelError `template-unsupported`, "not supported yet: <path>"
 */
export function refuseUnsupported(document: TemplateDocument) {
  const { filters, mat, backdrop } = document;
  refuseUnless(document.mode === 'cutout', 'mode');
  for (const [name, neutral] of Object.entries({ brightness: 1, contrast: 1, saturate: 1, grayscale: 0, sepia: 0 }))
    refuseUnless(filters[name as keyof typeof filters] === neutral, `filters.${name}`);
  document.tints.forEach((tint, i) => refuseUnless(isInvisible(tint), `tints[${i}]`));
  const borders: Border[] = document.borders.map((border, i) => {
    refuseUnless(border.dash === null, `borders[${i}].dash`);
    return { ...border, paint: colourOnly(border.paint, `borders[${i}].paint`) };
  });
  document.shadows.forEach((shadow, i) => refuseUnless(shadow.kind === 'drop', `shadows[${i}].kind`));
  for (const side of ['top', 'right', 'bottom', 'left'] as const) refuseUnless(mat[side] === 0, `mat.${side}`);
  document.outputs.forEach((output, i) => refuseUnless(DRAWN_FORMATS.includes(output.format), `outputs[${i}].format`));
  return {
    ...document,
    borders,
    backdrop: backdrop === null ? null : colourOnly(backdrop, 'backdrop'),
  };
}
