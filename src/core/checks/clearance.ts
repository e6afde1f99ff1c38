import { inFrame, UNADJUSTED, type PlacedSubject } from '../placement';
import type { Point } from '../shape';
import { photoBox } from '../template';
import { rimOfMask } from '../sight';
import { defineCheck, percent, type CheckInput } from './check';
import { distanceToEdge } from './edge';

/** Points of an oval that stands for a subject whose mask is not known: it fills its box better than corners that are mostly empty. */
const AROUND = 24;

const ovalIn = ({ x, y, width, height }: PlacedSubject): Point[] =>
  Array.from({ length: AROUND }, (_, i) => {
    const angle = (2 * Math.PI * i) / AROUND;
    return [x + (width / 2) * Math.cos(angle), y + (height / 2) * Math.sin(angle)];
  });

/** Points along the subject's rim, in the frame. */
function rimOf({ photo, placement }: CheckInput, placed: PlacedSubject): Point[] {
  const { handSubject, sight } = photo;
  const known = placed.source === 'found' ? sight?.subject : handSubject && 'box' in handSubject ? handSubject : null;
  if (!known?.mask) return ovalIn(placed);
  const [l, t, w, h] = known.box;
  return rimOfMask(known.mask).map(([x, y]) =>
    inFrame(placement, photo, [(l + x * w) * photo.width, (t + y * h) * photo.height]),
  );
}

/** What was worked out for each place that a photo was put in: it is the same for every output. */
const rooms = new WeakMap<PlacedSubject, number>();

/** Least room between the subject and the shape's edge, frame units; negative where it sticks out. */
function room(input: CheckInput, subject: PlacedSubject): number {
  const least = rooms.get(subject) ?? Math.min(...rimOf(input, subject).map((at) => distanceToEdge(input.outline, at)));
  rooms.set(subject, least);
  return least;
}

function side({ template }: CheckInput): number {
  const { width, height } = photoBox(template);
  return Math.max(width, height);
}

/** How much the subject's room falls short of what the template wants, as a share of the shape's box; its subject is the whole thing, not a face in it. */
export const clearance = defineCheck({
  id: 'clearance',
  label: 'Subject touches or leaves the shape',
  about: 'photo',
  measure: (input) => {
    const { subject, rule } = input.placement;
    if (rule !== 'subject' || !subject) return null;
    return input.template.limits.clearance - room(input, subject) / side(input);
  },
  limit: () => 0,
  brief: () => 'at the edge',
  explain: (short, { template: { limits } }) => {
    const left = limits.clearance - short;
    return left < 0
      ? `the subject sticks out of the shape by ${percent(-left, 0)} of its size`
      : `the subject has ${percent(left, limits.clearance)} of the shape’s size to its edge, ${percent(limits.clearance)} is wanted`;
  },
  mend: () => 'make the subject smaller, or move it',
  repair: {
    words: 'make it smaller',
    change: (input) => {
      const { subject } = input.placement;
      if (!subject) return null;
      const reach = Math.min(subject.width, subject.height) / 2;
      const short = (input.template.limits.clearance + 0.005) * side(input) - room(input, subject);
      const before = input.photo.adjustment ?? UNADJUSTED;
      const k = Math.max(0.1, 1 - short / reach);
      return { adjustment: { ...before, scale: before.scale * k, x: before.x * k, y: before.y * k } };
    },
  },
});
