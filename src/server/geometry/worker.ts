/** The thread that works outlines out, and all that goes by them; one named function a task. */
import { compared, toLookAt, type BatchPhoto, type Compared } from '../../core/checks';
import {
  completeShape,
  forLibrary,
  LIBRARY_FRAME,
  longOutline,
  recallOutline,
  type Outline,
  type Shape,
  type ShapeDocument,
} from '../../core/shape';
import { compile } from '../../core/plate';
import { withSizes } from '../../core/placement';
import { hasSlots, parseTemplate, slotTemplates, templateOutline, type Template } from '../../core/template';
import { outcomeOf, type Outcome } from '../threads/outcome';
import { bringCaptionFonts } from '../fonts';
import type { KeptTemplate } from './geometry';

/** A document read, and its outline where that takes long: both are kept. */
export const template = (document: unknown): Promise<Outcome<KeptTemplate>> =>
  outcomeOf(() => {
    const read = parseTemplate(document);
    return { template: read, outline: longOutline(read.shape) };
  });

/** A shape as the library keeps it. */
export const shape = (document: ShapeDocument): Promise<Outcome<Shape>> =>
  outcomeOf(() => forLibrary(completeShape(document, LIBRARY_FRAME)));

export type BatchTask = KeptTemplate & { readonly photos: readonly BatchPhoto[] };

/** A template as it was kept, whose outline is not worked out again. */
function recalled({ template: kept, outline }: KeptTemplate): Template {
  if (outline) recallOutline(kept.shape, outline);
  return kept;
}

/** What the photos of a batch are compared by: what it is like as a whole, and its doubles. */
export const comparison = ({ photos, ...kept }: BatchTask): Promise<Outcome<Compared>> =>
  outcomeOf(() => compared(recalled(kept), photos));

/** How many photos of a batch have a finding of their own. */
export const findings = ({ photos, ...kept }: BatchTask): Promise<Outcome<number>> =>
  outcomeOf(async () => {
    await bringCaptionFonts(kept.template);
    return toLookAt(recalled(kept), photos);
  });

/** A template whose size is like the batch, with the batch's own. */
export const sized = ({ photos, ...kept }: BatchTask): Promise<Outcome<Template>> =>
  outcomeOf(() => withSizes(recalled(kept), photos));

/** The outline of each shape through which photos are seen. */
export const cuts = (kept: KeptTemplate): Promise<Outcome<readonly Outline[]>> =>
  outcomeOf(() => {
    const template = recalled(kept);
    return (hasSlots(template) ? slotTemplates(template) : [template]).map(templateOutline);
  });

/** Reads a document and compiles it at a usual width: what the budget of outlines is measured by. */
export const trial = (document: unknown): Promise<Outcome<{ segments: number; pixels: number }>> =>
  outcomeOf(() => {
    const read = parseTemplate(document);
    const segments = templateOutline(read).reduce((sum, { cubics }) => sum + cubics.length, 0);
    return { segments, pixels: compile(read, 1080).blank.length / 4 };
  });
