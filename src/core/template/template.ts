/** A template ready to be used: read, checked and with every default filled in. */
import type { z } from 'zod';
import { WobrelError } from '../errors';
import { faultOf, inWords } from '../issue-words';
import {
  bent,
  boxPlaces,
  completeShape,
  keptShape,
  mapPoint,
  outlineOf,
  raggedOutline,
  roundOutline,
  type Outline,
  type Pin,
  type Bent,
  type Shape,
  type ShapeDocument,
} from '../shape';
import type { Pins } from '../layers';
import { widthFor } from './output-size';
import { refuseHuge } from './limits';
import { refuseMasks } from './mask-refusals';
import { pictureOf } from './picture';
import { refuseSets } from './set-refusals';
import { refuseSlots } from './slot-refusals';
import { MAX_OUTPUT_WIDTH, type outputSchema } from './outputs';
import { documentSchema, type TemplateDocument } from './schema';

/** An output with its width in pixels worked out, from its `size` where it has one. */
export type Output = z.infer<typeof outputSchema> & { readonly width: number };

export type Slot = Omit<TemplateDocument['slots'][number], 'shape'> & { readonly shape: Shape };

export type Template = Omit<TemplateDocument, '$schema' | 'shape' | 'slots' | 'outputs'> & {
  readonly shape: Shape;
  readonly slots: readonly Slot[];
  readonly outputs: readonly Output[];
};

function refusal(error: z.ZodError): WobrelError {
  const { at, message, isUnknownField } = faultOf(error);
  return isUnknownField
    ? new WobrelError('template-unknown-key', `unknown field: ${at}`, at)
    : new WobrelError('template-invalid', `${at || 'template'}: ${message}`, at || null);
}

/** Reads the document by its schema, its shape put through `complete`. */
function read(
  document: unknown,
  complete: (shape: ShapeDocument, frame: TemplateDocument['frame'], path: string) => Shape,
): Template {
  const parsed = documentSchema.safeParse(document, { error: inWords });
  if (!parsed.success) throw refusal(parsed.error);
  const { $schema: _, shape, slots, outputs: written, ...rest } = parsed.data;
  const { frame } = rest;
  const picture = pictureOf(rest);
  const outputs = written.map((output, i) => {
    const size = output.size ?? (output.width === undefined ? 'frame' : null);
    const width = size ? widthFor(size, picture) : output.width!;
    if (width > MAX_OUTPUT_WIDTH) {
      const at = `outputs[${i}].size`;
      throw new WobrelError('template-invalid', `${at}: ${width} px wide; the most is ${MAX_OUTPUT_WIDTH} px`, at);
    }
    return { ...output, size, width, matte: output.matte ?? (output.format === 'jpeg' ? '#ffffff' : null) };
  });
  return {
    ...rest,
    shape: complete(shape, frame, 'shape'),
    slots: slots.map((slot, i) => ({ ...slot, shape: complete(slot.shape, frame, `slots[${i}].shape`) })),
    outputs,
  };
}

/**
 * Reads a template document and works its outline out.
 *
 * @throws WobrelError `template-invalid`, `template-unknown-key`, `path-invalid` or
 *   `shape-intricate` with the path of the first field at fault
 */
export function parseTemplate(document: unknown): Template {
  const template = read(document, (shape, frame, path) => completeShape(shape, frame, path));
  refuseSlots(template);
  refuseSets(template);
  refuseMasks(template);
  refuseHuge(template);
  return template;
}

/**
 * Reads a template that was read before and kept: by its schema alone, no outline is worked out,
 * and limits that have come since don't shut anybody out of what they made.
 *
 * @throws WobrelError as `parseTemplate`, and `template-unfinished` where a box is missing that only the outline tells
 */
export const keptTemplate = (document: unknown): Template =>
  read(document, (shape, frame, path) => {
    const kept = keptShape(shape, frame);
    if (!kept) throw new WobrelError('template-unfinished', `${path}: its size is not worked out yet`, path);
    return kept;
  });

/** How far the line along which a feathered photo shows by half lies outside the outline, frame units; negative inside. */
export const featherShift = ({ feather, featherSide }: Template['edge']): number =>
  featherSide === 'centre' ? 0 : featherSide === 'inside' ? -feather : feather;

/** How far beyond the outline a feathered photo shows, frame units: three standard deviations from the middle of its fade. */
export const featherReach = (edge: Template['edge']): number =>
  edge.featherSide === 'inside' ? 0 : featherShift(edge) + 1.5 * edge.feather;

type Edged = Pick<Template, 'shape' | 'edge'>;
type Outlined = { readonly outline: Outline; readonly bend: Omit<Bent, 'outline'> };

/** Pins in frame units. */
export function pinsIn({ shape }: Pick<Template, 'shape'>, pins: Pins): Pin[] {
  const map = boxPlaces(shape.box);
  return pins.map(({ from, to }) => ({ from: mapPoint(map, from), to: mapPoint(map, to) }));
}

/** Outlines of edges that take work, by the edge and the shape that they are of. */
const edged = new WeakMap<Edged['edge'], WeakMap<Shape, Outlined>>();

function outlined({ shape, edge }: Edged): Outlined {
  const known = edged.get(edge)?.get(shape);
  if (known) return known;
  const rounded = roundOutline(outlineOf(shape), edge.rounding);
  const { outline, ...bend } = bent(rounded, pinsIn({ shape }, edge.pins));
  const made = { outline: edge.rough ? raggedOutline(outline, edge.rough) : outline, bend };
  if (!edged.has(edge)) edged.set(edge, new WeakMap());
  edged.get(edge)!.set(shape, made);
  return made;
}

/** The template's outline in frame units: its shape with rounded corners, bent, and as rough as it is. */
export const templateOutline = (template: Edged): Outline => outlined(template).outline;

/** How much of their way the pins go, and where the outline would run across itself if they went further, frame units. */
export const bendOf = (template: Edged): Omit<Bent, 'outline'> => outlined(template).bend;

/** Outlines that bands follow by themselves, by their pins and the outline that these bend. */
const banded = new WeakMap<Pins, WeakMap<Outline, Bent>>();

/** The outline that a band follows: the template's, bent by the band's own pins as far as they can go. */
export function bandBend(template: Edged, { pins }: Pick<Template['borders'][number], 'pins'>): Bent {
  const outline = templateOutline(template);
  const known = banded.get(pins)?.get(outline);
  if (known) return known;
  const made = bent(outline, pinsIn(template, pins));
  if (!banded.has(pins)) banded.set(pins, new WeakMap());
  banded.get(pins)!.set(outline, made);
  return made;
}
