/** The subject that somebody points at. */
import { overlap, type Box } from '../boxes';
import type { FoundSubject } from '../sight';
import type { Told } from '../pointing';
import { cutOut, type GrabCut } from './cut';
import { exact, subjectOfCut, type Ready } from './find';
import type { Ranked } from './rank';

/** People point near a thing's middle: spread of where they do, as a share of its extent. */
const AIM = 0.2;
/** Further from its middle than this they mean another thing. */
const MISSED = 0.4;
/** What is looked at around a place where nothing is seen, as a share of the picture. */
const AROUND = 0.3;

const missOf = ([l, t, w, h]: Box, [x, y]: Told['at']) =>
  Math.max(Math.abs(x - l - w / 2) / w, Math.abs(y - t - h / 2) / h);

/** The box of what is meant by a place. */
function meant({ things, seen }: Ready, at: Told['at']): Box {
  const near = things.filter(({ box }) => missOf(box, at) < MISSED);
  const value = ({ box, value: own }: Ranked) => own - (missOf(box, at) / AIM) ** 2 / 2;
  const [best] = [...near].sort((a, b) => value(b) - value(a));
  return best ? exact(best, near, seen).box : [at[0] - AROUND / 2, at[1] - AROUND / 2, AROUND, AROUND];
}

/** A rough box is some thing's that overlaps it as far as this. */
const ROUGH = 0.5;

function nearest({ things, seen }: Ready, box: Box): Box {
  const [best] = [...things].sort((a, b) => overlap(b.box, box) - overlap(a.box, box));
  return best && overlap(best.box, box) > ROUGH ? exact(best, things, seen).box : box;
}

/** The least box that holds a box and places. */
function holding([l, t, w, h]: Box, places: readonly Told['at'][]): Box {
  const [xs, ys] = [places.map(([x]) => x), places.map(([, y]) => y)];
  const [left, top] = [Math.min(l, ...xs), Math.min(t, ...ys)];
  return [left, top, Math.max(l + w, ...xs) - left, Math.max(t + h, ...ys) - top];
}

/**
 * The thing at a place, or in a rough box, along its outline; null where it can't be parted from what is around it.
 *
 * @param from the rough box; null where the first place of the subject tells what is meant
 * @param told places that are subject, or are not; at least one of the subject where there is no box
 */
export function pointedAt(
  ready: Ready,
  from: Box | null,
  told: readonly Told[],
  grabCut: GrabCut,
): FoundSubject | null {
  const box = from ? nearest(ready, from) : meant(ready, told.find(({ is }) => is === 'subject')!.at);
  const whole = holding(box, told.filter(({ is }) => is === 'subject').map(({ at }) => at)); // prettier-ignore
  const cut = cutOut(ready.looks[0], whole, grabCut, told);
  return cut && subjectOfCut(cut, 1);
}
