/** Marks that captions stand on: as large as their words want them. */
import type { Mark, MarkForm } from '../layers';
import { completeShape, mapOutline, outlineOf, shapeSchema, type Outline } from '../shape';

/** Left, top, right, bottom, frame units. */
export type MarkBounds = readonly [left: number, top: number, right: number, bottom: number];

/** A shape that holds words so wide and high: its document but for the box, how large it is, and where the middle of the words lies from its own. */
type Fitted = {
  readonly shape: object;
  readonly width: number;
  readonly height: number;
  readonly dx?: number;
  readonly dy?: number;
};

/** The least ellipse of their proportion around words is √2 as wide and high. */
const AROUND = Math.SQRT2;
const [BUBBLE_TAIL, ARROW_SHAFT, TAG_CUT, NOTCH, SEAL_DEPTH] = [0.4, 0.62, 0.3, 0.34, 0.08];
/** The longer side of words as a mark is made around them. */
const AS_MADE = 1000;
/** A mark is at least so wide and high, frame units. */
const LEAST = 1e-3;
const corners = (radius: number) => [radius, radius, radius, radius];

const FORMS: Readonly<Record<MarkForm, (width: number, height: number) => Fitted>> = {
  panel: (width, height) => ({ shape: { kind: 'rectangle' }, width, height }),
  rounded: (width, height) => ({ shape: { kind: 'rectangle', radii: corners(height / 4) }, width, height }),
  // Its ends are half circles: words may reach into them by as much as leaves their corners within.
  pill: (w, height) => {
    const width = Math.max(height, w + height * 0.3);
    return { shape: { kind: 'rectangle', radii: corners(height / 2) }, width, height };
  },
  ellipse: (w, h) => ({ shape: { kind: 'ellipse' }, width: w * AROUND, height: h * AROUND }),
  bubble: (width, h) => {
    const tail = h * BUBBLE_TAIL;
    const shape = { kind: 'bubble', radius: h / 4, tailWidth: Math.min(0.6, Math.max(0.02, tail / width)), tailLength: tail / (h + tail) }; // prettier-ignore
    return { shape, width, height: h + tail, dy: -tail / 2 };
  },
  arrow: (w, h) => {
    const height = h / ARROW_SHAFT;
    const head = height * 0.6;
    return { shape: { kind: 'arrow', headLength: head / (w + head), headWidth: 1, shaft: ARROW_SHAFT }, width: w + head, height, dx: -head / 2 }; // prettier-ignore
  },
  // Its hole lies in the end with cut corners.
  tag: (w, height) => {
    const end = height * 0.5;
    return { shape: { kind: 'tag', cut: TAG_CUT }, width: w + end, height, dx: end / 2 };
  },
  ticket: (w, height) => ({ shape: { kind: 'ticket', notch: NOTCH }, width: w + height * NOTCH, height }),
  seal: (w, h) => {
    const side = (Math.hypot(w, h) / (1 - SEAL_DEPTH)) * 1.02;
    return { shape: { kind: 'seal', depth: SEAL_DEPTH }, width: side, height: side };
  },
};

/** What a mark covers around words that lie so, and its own bounds; frame units. */
export function markAround(
  { form, room }: Mark,
  [left, top, right, bottom]: MarkBounds,
): { outline: Outline; bounds: MarkBounds } {
  const [across, down] = [right - left + 2 * room, bottom - top + 2 * room];
  // Made in one size and moved: words may be larger, and lie farther out, than a template's shapes may.
  const k = Math.max(across, down, LEAST) / AS_MADE;
  const { shape, width, height, dx = 0, dy = 0 } = FORMS[form](Math.max(across, LEAST) / k, Math.max(down, LEAST) / k);
  const [cx, cy] = [(left + right) / 2 - dx * k, (top + bottom) / 2 - dy * k];
  const document = shapeSchema.parse({ ...shape, box: { cx: 0, cy: 0, width, height } });
  const outline = mapOutline(outlineOf(completeShape(document, { width, height })), [k, 0, 0, k, cx, cy]);
  const [w, h] = [width * k, height * k];
  return { outline, bounds: [cx - w / 2, cy - h / 2, cx + w / 2, cy + h / 2] };
}
