/** The thread that works outlines out, and all that goes by them; one named function a task. */
import { findingsOf, type BatchFindings, type BatchPhoto } from '../../core/checks';
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

export type FindingsTask = KeptTemplate & { readonly photos: readonly BatchPhoto[] };

/** What a batch is like as a whole, its doubles, and how many of its photos have a finding. */
export const findings = ({ template: kept, outline, photos }: FindingsTask): Promise<Outcome<BatchFindings>> =>
  outcomeOf(async () => {
    if (outline) recallOutline(kept.shape, outline);
    await bringCaptionFonts(kept);
    return findingsOf(kept, photos);
  });

/** A template whose size is like the batch, with the batch's own. */
export const sized = ({ template: kept, outline, photos }: FindingsTask): Promise<Outcome<Template>> =>
  outcomeOf(() => {
    if (outline) recallOutline(kept.shape, outline);
    return withSizes(kept, photos);
  });

/** The outline of each shape through which photos are seen. */
export const cuts = ({ template: kept, outline }: KeptTemplate): Promise<Outcome<readonly Outline[]>> =>
  outcomeOf(() => {
    if (outline) recallOutline(kept.shape, outline);
    return (hasSlots(kept) ? slotTemplates(kept) : [kept]).map(templateOutline);
  });

/** Reads a document and compiles it at a usual width: what the budget of outlines is measured by. */
export const trial = (document: unknown): Promise<Outcome<{ segments: number; pixels: number }>> =>
  outcomeOf(() => {
    const read = parseTemplate(document);
    const segments = templateOutline(read).reduce((sum, { cubics }) => sum + cubics.length, 0);
    return { segments, pixels: compile(read, 1080).blank.length / 4 };
  });
