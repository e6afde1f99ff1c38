/** manifest.json: what a delivery holds and how each file came about. */
import { z } from 'zod';
import type { Finding } from '../checks';
import type { Placed, PlacedAgain } from '../placement';

const placementSchema = z.object({
  scale: z.number(),
  angle: z.number(),
  x: z.number(),
  y: z.number(),
  mirror: z.boolean(),
  /** What the photo was centred by. */
  rule: z.enum(['middle', 'subject', 'face', 'point']).optional(),
  /** What was done about places the photo would not have reached, and how much. */
  used: z.enum(['none', 'enlarged', 'shifted', 'extended', 'left']),
  by: z.number(),
  gap: z.number(),
});

/** The subject as it lies in the frame, frame units; `size` over the shape's box, `off` its distance from the wanted spot as shares of the box's longer side. */
const subjectSchema = z.object({
  x: z.number(),
  y: z.number(),
  width: z.number(),
  height: z.number(),
  size: z.number(),
  off: z.tuple([z.number(), z.number()]),
  source: z.string(),
  confidence: z.number(),
  /** The same by a second look, which had no part in placing it; `apart` is how far the two are from each other. */
  again: z
    .object({
      size: z.number(),
      off: z.tuple([z.number(), z.number()]),
      apart: z.object({ off: z.number(), size: z.number() }),
    })
    .nullable()
    .optional(),
});
const findingSchema = z.object({ check: z.string(), value: z.number(), message: z.string() });

/** One file, or one photo that failed (`error` set, the file's own fields null). */
export const manifestItemSchema = z.object({
  photo: z.string(),
  output: z.string().nullable(),
  file: z.string().nullable(),
  width: z.int().nullable(),
  height: z.int().nullable(),
  bytes: z.int().nullable(),
  sha256: z.string().nullable(),
  /** The quality that it was encoded with, where its format has one and its output a limit of bytes. */
  quality: z.int().nullable().optional(),
  placement: placementSchema.nullable(),
  /** Null where the rule looks for no subject, or none was found. */
  subject: subjectSchema.nullable(),
  /** Of a cutout of several photos: each slot with its photo, if it has one, and where that lies; `placement` and `subject` are null then. */
  slots: z
    .array(
      z.object({
        slot: z.string(),
        photo: z.string().nullable(),
        placement: placementSchema.nullable(),
        subject: subjectSchema.nullable(),
      }),
    )
    .optional(),
  findings: z.array(findingSchema),
  error: z.string().nullable(),
});
export type ManifestItem = z.infer<typeof manifestItemSchema>;

export const manifestSchema = z.object({
  template: z.string(),
  /** The saved version of the template, and whether the batch had changed it; null where it was not saved, left out on the command line. */
  version: z.int().nullable().optional(),
  changed: z.boolean().optional(),
  startedAt: z.iso.datetime(),
  items: z.array(manifestItemSchema),
});
export type Manifest = z.infer<typeof manifestSchema>;

/** The part of an item that says how its photo, or each of its photos, was placed. */
export type PlacedItem = Pick<ManifestItem, 'placement' | 'subject' | 'slots'>;

/** The same of a cutout of several photos. */
export const slotsItem = (
  slots: readonly { readonly slot: string; readonly photo: string | null; readonly placed: PlacedItem | null }[],
): PlacedItem => ({
  placement: null,
  subject: null,
  slots: slots.map(({ slot, photo, placed }) => ({
    slot,
    photo,
    placement: placed?.placement ?? null,
    subject: placed?.subject ?? null,
  })),
});

/** The part of an item that says how the photo was placed, and what a second look saw of that. */
export function placedItem(placed: Placed, again: PlacedAgain | 'unseen' | null): PlacedItem {
  const { scale, angle, x, y, mirror, rule, used, by, gap, subject } = placed;
  return {
    placement: { scale, angle, x, y, mirror, rule, used, by, gap },
    subject: subject && {
      x: subject.x,
      y: subject.y,
      width: subject.width,
      height: subject.height,
      size: subject.size,
      off: [subject.off[0], subject.off[1]],
      source: subject.source,
      confidence: subject.confidence,
      again: again === 'unseen' || !again ? null : { ...again, off: [again.off[0], again.off[1]] },
    },
  };
}

/** A finding as it is noted. */
export const findingItem = ({ check, value, message }: Finding): ManifestItem['findings'][number] => ({
  check,
  value,
  message,
});

/** The item of a photo, or of one of its outputs, that could not be made. */
export function failedItem(photo: string, error: string, output: string | null = null): ManifestItem {
  return {
    photo,
    output,
    file: null,
    width: null,
    height: null,
    bytes: null,
    sha256: null,
    placement: null,
    subject: null,
    findings: [],
    error,
  };
}
