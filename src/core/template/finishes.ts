/** Finishes to begin with: looks that go on any shape. */
import type { z } from 'zod';
import type { Growth } from '../layers';
import { withMat } from './frame';
import { grownFinish, type Finish } from './grown-finish';
import { documentSchema } from './schema';
import type { Template } from './template';
import { roundedIn } from './units';

type Written = z.input<typeof documentSchema>;

export type StartingFinish = {
  readonly id: string;
  readonly name: string;
  /** Lengths for a frame whose shorter side is 1080 units. */
  readonly fields: Pick<Written, keyof Finish>;
};

const FRAME = 1080;

const matching = { kind: 'picked', from: 'subject', tone: 'vivid' } as const;
const rim = (depth: number, from: string, to: string) => ({ kind: 'contour' as const, depth, stops: [[0, from], [1, to]] as [number, string][] }); // prettier-ignore

export const STARTING_FINISHES: readonly StartingFinish[] = [
  { id: 'plain', name: 'Plain', fields: {} },
  { id: 'thin-ring', name: 'Thin ring', fields: { borders: [{ width: 8, paint: '#1c2224' }] } },
  {
    id: 'double-ring',
    name: 'Double ring',
    fields: { borders: [{ width: 22, paint: '#24594f' }, { width: 5, align: 'outside', gap: 12, paint: '#24594f' }] }, // prettier-ignore
  },
  {
    id: 'matching-ring',
    name: 'Matching ring',
    fields: { borders: [{ width: 26, align: 'outside', gap: 10, paint: matching }] },
  },
  {
    id: 'stitched',
    name: 'Stitched',
    fields: {
      tints: [{ paint: rim(90, '#00000066', '#00000000') }],
      borders: [{ width: 7, align: 'inside', gap: 30, paint: '#f7efe0', dash: [26, 16], dashCap: 'round' }],
    },
  },
  { id: 'soft', name: 'Soft edge', fields: { edge: { feather: 130 } } },
  { id: 'dark-rim', name: 'Dark rim', fields: { tints: [{ paint: rim(260, '#000000b0', '#00000000') }] } },
  {
    id: 'two-tones',
    name: 'Two tones',
    fields: { filters: { contrast: 1.1, recolour: { dark: '#1d2a33', light: '#f2e6d2' } } },
  },
  {
    id: 'punched',
    name: 'Punched in',
    fields: { shadows: [{ kind: 'inner', x: 0, y: 18, blur: 46, opacity: 0.65 }] },
  },
  { id: 'lifted', name: 'Lifted', fields: { shadows: [{ y: 14, blur: 44, spread: -4, opacity: 0.5 }] } },
  {
    id: 'standing',
    name: 'On a floor',
    fields: { shadows: [{ kind: 'ground', x: 0, y: 0, blur: 20, reach: 110, depth: 34, opacity: 0.6 }] },
  },
  {
    id: 'mirrored',
    name: 'Mirrored',
    fields: { reflection: { gap: 4, length: 0.28, opacity: 0.35 }, mat: { bottom: 240 } },
  },
  {
    id: 'card',
    name: 'Card with caption',
    fields: {
      mat: { top: 50, right: 50, bottom: 170, left: 50, paint: '#ffffff' },
      backdrop: '#ffffff',
      captions: [{ text: '{photo}', size: 56, at: [FRAME / 2, FRAME + 95], maxWidth: 1000 }],
    },
  },
];

/** A length that people would have written: whole pixels, but for thin things. */
function tidy(v: number, unit: Template['frame']['unit']): number {
  if (unit !== 'px') return roundedIn(unit)(v);
  const k = Math.abs(v) < 10 ? 2 : 1;
  return Math.round(v * k) / k;
}

/** The template with another finish; its frame, shape, centring and outputs stay. */
export function withFinish(template: Template, { fields }: StartingFinish): Template {
  const { frame } = template;
  const k = Math.min(frame.width, frame.height) / FRAME;
  const length = (v: number) => tidy(v * k, frame.unit);
  const growth: Growth = {
    length,
    // Across it goes with the frame; what lies below the frame stays as far below it.
    place: ([x, y]) => [
      tidy((x / FRAME) * frame.width, frame.unit),
      y > FRAME ? frame.height + length(y - FRAME) : tidy((y / FRAME) * frame.height, frame.unit),
    ],
  };
  const read = grownFinish(documentSchema.parse({ wobrel: 1, name: template.name, ...fields }), growth);
  const { rounding, pins } = template.edge;
  return withMat({ ...template, ...read, edge: { ...read.edge, rounding, pins } }, read.mat);
}
