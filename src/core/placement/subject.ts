/** What a photo is of, as a centring rule sees it. */
import { z } from 'zod';
import type { Sight } from '../sight';
import type { Template } from '../template';
import type { Point, Size } from './placement';

const share = z.number().min(-1).max(2);
const extent = z.number().gt(0).max(2);
const boxSchema = z.tuple([share, share, extent, extent]);

/** A subject pointed at by hand, in shares of the upright photo: its box, or only its centre. */
export const handSubjectSchema = z.union([
  z.strictObject({
    box: boxSchema,
    /** Where its outline is known: its box without thin parts, its area's centre, the share of the photo that it covers, and what of the box it fills (`smallMask`). */
    body: boxSchema.optional(),
    centroid: z.tuple([share, share]).optional(),
    area: z.number().gt(0).max(4).optional(),
    mask: z
      .string()
      .regex(/^[0-9a-f]{144}$/)
      .optional(),
    /** How sure the finder is of it, where nobody pointed at it but at others that it is like. */
    alike: z.number().min(0).max(1).optional(),
  }),
  z.strictObject({ point: z.tuple([share, share]) }),
]);
export type HandSubject = z.infer<typeof handSubjectSchema>;

/** Pixels of the upright photo. */
export type Subject = {
  readonly centre: Point;
  readonly width: number;
  readonly height: number;
  /** Square pixels. */
  readonly area: number;
  /** Degrees by which its eyes lean from level, clockwise; 0 where there are none. */
  readonly lean: number;
  readonly source: 'hand' | 'alike' | 'face' | 'found' | 'photo';
  readonly confidence: number;
  readonly count: number;
};

export type SeenPhoto = Size & {
  readonly sight?: Sight | null | undefined;
  readonly handSubject?: HandSubject | null | undefined;
};

/** Below this confidence a found subject is not trusted, and the photo's middle is used instead. */
export const TRUSTED = 0.2;

const middleOf = ({ width, height }: Size): Subject => ({
  centre: [width / 2, height / 2],
  width,
  height,
  area: width * height,
  lean: 0,
  source: 'photo',
  confidence: 1,
  count: 1,
});

type Middle = Template['centring']['middle'];
type Box = readonly [left: number, top: number, width: number, height: number];
/** What is known of a thing in shares of the photo: at least its box. */
type Thing = { readonly box: Box; readonly body?: Box | undefined; readonly centroid?: Point | undefined };

/** Centre and extents of a thing in pixels, by what counts as its middle; its box where no more is known. */
function extentOf({ box, body, centroid }: Thing, { width, height }: Size, middle: Middle) {
  const [l, t, w, h] = (middle === 'body' && body) || box;
  const [x, y] = (middle === 'area' && centroid) || [l + w / 2, t + h / 2];
  return { centre: [x * width, y * height] as const, width: w * width, height: h * height };
}

/** How far the eyes of the clearest face lean, degrees clockwise; 0 where there are none. */
export function leanOf({ width, height, sight }: SeenPhoto): number {
  const face = sight?.faces[0];
  if (!face) return 0;
  const [[lx, ly], [rx, ry]] = face.eyes;
  return (Math.atan2((ry - ly) * height, (rx - lx) * width) * 180) / Math.PI;
}

function byHand(photo: SeenPhoto, hand: HandSubject, middle: Middle): Subject {
  const { width, height } = photo;
  if ('point' in hand) {
    const found = foundOf(photo, middle);
    // Its size is still the found one's, if there is any.
    const size = found ?? middleOf(photo);
    return {
      ...size,
      centre: [hand.point[0] * width, hand.point[1] * height],
      source: 'hand',
      confidence: 1,
      count: 1,
    };
  }
  const [, , w, h] = hand.box;
  return {
    ...extentOf(hand, photo, middle),
    area: (hand.area ?? w * h) * width * height,
    lean: leanOf(photo),
    source: hand.alike === undefined ? 'hand' : 'alike',
    confidence: hand.alike ?? 1,
    count: 1,
  };
}

const hasFound = ({ sight }: SeenPhoto): boolean => (sight?.subject?.confidence ?? 0) >= TRUSTED;

function foundOf(photo: SeenPhoto, middle: Middle): Subject | null {
  if (!hasFound(photo)) return null;
  const found = photo.sight!.subject!;
  const { width, height } = photo;
  return {
    ...extentOf(found, photo, middle),
    area: found.area * width * height,
    lean: leanOf(photo),
    source: 'found',
    confidence: found.confidence,
    count: found.count,
  };
}

/** The clearest face: centred by its eyes, sized by its box. */
function faceOf(photo: SeenPhoto): Subject | null {
  const face = photo.sight?.faces[0];
  if (!face) return null;
  const { width, height } = photo;
  const [[lx, ly], [rx, ry]] = face.eyes;
  const [, , w, h] = face.box;
  return {
    centre: [((lx + rx) / 2) * width, ((ly + ry) / 2) * height],
    width: w * width,
    height: h * height,
    area: w * width * h * height,
    lean: leanOf(photo),
    source: 'face',
    confidence: face.score,
    count: photo.sight.faces.length,
  };
}

/** All faces as one: their common box, its middle across, and the middle of all eyes down. */
function groupOf(photo: SeenPhoto): Subject | null {
  const faces = photo.sight?.faces ?? [];
  const first = faceOf(photo);
  if (!first || faces.length < 2) return first;
  const { width, height } = photo;
  const [left, top] = [0, 1].map((k) => Math.min(...faces.map(({ box }) => box[k]!))) as [number, number];
  const [right, bottom] = [0, 1].map((k) => Math.max(...faces.map(({ box }) => box[k]! + box[k + 2]!))) as [number, number]; // prettier-ignore
  const eyes = faces.flatMap(({ eyes: both }) => both.map(([, y]) => y));
  const [w, h] = [(right - left) * width, (bottom - top) * height];
  return {
    ...first,
    centre: [((left + right) / 2) * width, (eyes.reduce((sum, y) => sum + y, 0) / eyes.length) * height],
    width: w,
    height: h,
    area: w * h,
    // As sure as the least sure of them.
    confidence: Math.min(...faces.map(({ score }) => score)),
    count: 1,
  };
}

/** Least score of a face that a photo is centred by without being asked to (common practice of this finder; see docs/decisions.md). */
const CLEAR = 0.8;
/** … and its least height, as a share of the photo's shorter side: a face in a crowd or on a poster is not what the photo is of. */
const LARGE = 0.1;

type Rule = Template['centring']['rule'];
/** What of a template's centring tells which thing is centred, and by what of it. */
export type Centred = Pick<Template['centring'], 'rule' | 'faces' | 'middle'>;
export type SuitedRule = Exclude<Rule, 'auto'>;

function hasClearFace({ sight, width, height }: SeenPhoto): boolean {
  const face = sight?.faces[0];
  return face !== undefined && face.score >= CLEAR && face.box[3] * height >= LARGE * Math.min(width, height);
}

/** The rule that a photo goes by: `auto` takes a clear face, else the subject, else the middle. */
export function ruleFor(photo: SeenPhoto, rule: Rule): SuitedRule {
  if (rule !== 'auto') return rule;
  if (photo.handSubject) return 'subject';
  if (hasClearFace(photo)) return 'face';
  return hasFound(photo) ? 'subject' : 'middle';
}

/** The subject that the rule centres, or null where none was found and the photo's middle has to do. */
export function subjectOf(photo: SeenPhoto, { rule, faces, middle }: Centred): Subject | null {
  const suited = ruleFor(photo, rule);
  if (suited === 'middle') return rule === 'auto' ? null : middleOf(photo);
  if (photo.handSubject) return byHand(photo, photo.handSubject, middle);
  if (suited === 'point') return null;
  if (suited === 'subject') return foundOf(photo, middle);
  return faces === 'group' ? groupOf(photo) : faceOf(photo);
}

/** What is placed where no subject was found. */
export const photoItself = middleOf;
