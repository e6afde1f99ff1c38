/** Where a subject lies in its cutout by the second look, which has no part in placing it. */
import { overlap } from '../sight';
import { photoBox, type Template } from '../template';
import { inFrame, type Point } from './placement';
import type { Placed } from './place';
import type { SeenPhoto } from './subject';

/** What the second look makes of a placed photo. */
export type PlacedAgain = {
  /** Distance of the subject's centre from the wanted spot, as a share of the box's longer side; across and down. */
  readonly off: Point;
  /** The subject's extent over the shape's box, as the template measures it. */
  readonly size: number;
  /** How far the two looks disagree: the distance of their centres as a share of the box's longer side, and the difference of their sizes. */
  readonly apart: { readonly off: number; readonly size: number };
  /** What it saw, in shares of the photo. */
  readonly box: Box;
};

type Box = readonly [left: number, top: number, width: number, height: number];
/** Shares of the photo. */
type Look = { readonly centre: Point; readonly box: Box };

const ofBox = (box: Box): Look => ({ centre: [box[0] + box[2] / 2, box[1] + box[3] / 2], box });

/** Of a face: it is centred by the middle between its eyes. */
const ofFace = ({ box, eyes: [[lx, ly], [rx, ry]] }: { box: Box; eyes: readonly [Point, Point] }): Look => ({
  centre: [(lx + rx) / 2, (ly + ry) / 2],
  box,
});

/** A box by hand is that of another thing than was looked at again where it overlaps less. */
const SAME = 0.5;

/** Both looks at what the photo was centred by; null where there was only one of it. */
function bothLooks({ sight, handSubject }: SeenPhoto, { rule }: Placed): readonly [Look, Look | null] | null {
  const again = sight?.again;
  if (!again) return null;
  if (rule === 'face') {
    const first = sight.faces[0];
    return first ? [ofFace(first), again.face && ofFace(again.face)] : null;
  }
  const first = handSubject ? ('box' in handSubject ? handSubject.box : null) : sight.subject?.box;
  if (rule !== 'subject' || again.subject === undefined) return null;
  if (!first || !sight.subject || overlap(first, sight.subject.box) < SAME) return null;
  return [ofBox(first), again.subject && ofBox(again.subject)];
}

/** By how much the second look's box is larger than the first one's, as the template measures it. */
function ratioOf(first: Box, again: Box, photo: SeenPhoto, measure: Template['centring']['measure']): number {
  const [w, h] = [again[2] / first[2], again[3] / first[3]];
  if (measure === 'width') return w;
  if (measure === 'height') return h;
  if (measure === 'area') return Math.sqrt(w * h);
  const longer = (box: Box) => Math.max(box[2] * photo.width, box[3] * photo.height);
  return longer(again) / longer(first);
}

/**
 * What the second look says of a placed photo: `unseen` where it found nothing there, null where
 * nobody looked a second time (the middle, a point, several faces as one, another thing pointed at by hand).
 */
export function seenAgain(photo: SeenPhoto, placed: Placed, template: Template): PlacedAgain | 'unseen' | null {
  const { subject, rule } = placed;
  const isGroup = rule === 'face' && template.centring.faces === 'group' && (photo.sight?.faces.length ?? 0) > 1;
  const looks = subject && !isGroup ? bothLooks(photo, placed) : null;
  if (!subject || !looks) return null;
  const [first, again] = looks;
  if (!again) return 'unseen';
  const at = ({ centre: [x, y] }: Look) => inFrame(placed, photo, [x * photo.width, y * photo.height]);
  const [from, to] = [at(first), at(again)];
  const box = photoBox(template);
  const side = Math.max(box.width, box.height);
  const [dx, dy] = [(to[0] - from[0]) / side, (to[1] - from[1]) / side];
  const size = subject.size * ratioOf(first.box, again.box, photo, template.centring.measure);
  return {
    off: [subject.off[0] + dx, subject.off[1] + dy],
    size,
    apart: { off: Math.hypot(dx, dy), size: Math.abs(size - subject.size) },
    box: again.box,
  };
}
