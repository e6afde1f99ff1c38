/** Refuses what the document format has but the plate does not draw yet, so that nothing is silently ignored. */
import { WobrelError } from '../errors';
import { isClear, isDrawn, parseColour, type Paint } from '../paint';
import type { Border, Tint, TemplateDocument } from './schema';

const unsupported = (path: string) => new WobrelError('template-unsupported', `not supported yet: ${path}`, path);

function refuseUnless(drawn: boolean, path: string): void {
  if (!drawn) throw unsupported(path);
}

function colourOnly(paint: Paint, path: string): string {
  if (typeof paint !== 'string') throw unsupported(path);
  return paint;
}

/** A tint that is off or wholly transparent changes nothing, so it is drawn exactly. */
const isInvisible = ({ paint, opacity, on }: TemplateDocument['tints'][number]): boolean =>
  !on || opacity === 0 || isClear(paint, (colour) => parseColour(colour).alpha);

/** The tints that are drawn; those not drawn yet are kept only where they would not be seen. */
function tintsOf(tints: TemplateDocument['tints']): Tint[] {
  return tints.map((tint, i) => {
    const { paint } = tint;
    if (isDrawn(paint)) return { ...tint, paint };
    refuseUnless(isInvisible(tint), `tints[${i}].paint`);
    return { ...tint, paint: '#00000000' };
  });
}

const DRAWN_FORMATS: readonly string[] = ['png', 'webp', 'jpeg'];

/**
 * The document with the types of what is drawn.
 *
 * @throws WobrelError `template-unsupported`, "not supported yet: <path>"
 */
export function refuseUnsupported(document: TemplateDocument) {
  const { mat, backdrop } = document;
  refuseUnless(document.mode === 'cutout', 'mode');
  const borders: Border[] = document.borders.map((border, i) => {
    refuseUnless(border.dash === null, `borders[${i}].dash`);
    return { ...border, paint: colourOnly(border.paint, `borders[${i}].paint`) };
  });
  document.shadows.forEach((shadow, i) => refuseUnless(shadow.kind !== 'ground', `shadows[${i}].kind`));
  for (const side of ['top', 'right', 'bottom', 'left'] as const) refuseUnless(mat[side] === 0, `mat.${side}`);
  document.outputs.forEach((output, i) => refuseUnless(DRAWN_FORMATS.includes(output.format), `outputs[${i}].format`));
  return {
    ...document,
    borders,
    tints: tintsOf(document.tints),
    backdrop: backdrop === null ? null : colourOnly(backdrop, 'backdrop'),
  };
}
