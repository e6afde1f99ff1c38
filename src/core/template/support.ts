/** Refuses what the document format has but the plate does not draw yet, so that nothing is silently ignored. */
import { WobrelError } from '../errors';
import { isAreaPaint, isLinePaint, type Paint } from '../paint';
import type { Border, Tint, TemplateDocument } from './schema';

const unsupported = (path: string) => new WobrelError('template-unsupported', `not supported yet: ${path}`, path);

function refuseUnless(drawn: boolean, path: string): void {
  if (!drawn) throw unsupported(path);
}

/** The paint where it is one that is drawn there; one that is not drawn yet is let pass where `isSeen` is false, and drawn as nothing. */
function drawn<P extends Paint>(
  paint: Paint,
  isDrawn: (paint: Paint) => paint is P,
  path: string,
  isSeen = true,
): P | '#00000000' {
  if (isDrawn(paint)) return paint;
  refuseUnless(!isSeen, path);
  return '#00000000';
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
  const isSeen = ({ on, opacity }: { on: boolean; opacity: number }) => on && opacity > 0;
  const borders: Border[] = document.borders.map((border, i) => ({
    ...border,
    paint: drawn(border.paint, isLinePaint, `borders[${i}].paint`, isSeen(border)),
  }));
  const tints: Tint[] = document.tints.map((tint, i) => ({
    ...tint,
    paint: drawn(tint.paint, isAreaPaint, `tints[${i}].paint`, isSeen(tint)),
  }));
  for (const side of ['top', 'right', 'bottom', 'left'] as const) refuseUnless(mat[side] === 0, `mat.${side}`);
  document.outputs.forEach((output, i) => refuseUnless(DRAWN_FORMATS.includes(output.format), `outputs[${i}].format`));
  return {
    ...document,
    borders,
    tints,
    backdrop: backdrop === null ? null : drawn(backdrop, isAreaPaint, 'backdrop'),
  };
}
