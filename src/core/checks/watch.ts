/**
 * Findings of a batch that follow its changes: one photo changed is one photo checked anew,
 * and of the others only what compares them with the batch, where that has moved.
 */
import { placer, type Placed } from '../placement';
import { hasSlots, type Template } from '../template';
import type { BatchMeans, CheckDefinition, CheckedPhoto, Finding } from './check';
import { checker } from './checker';
import { meansOf } from './means';
import { CHECKS } from './registry';
import { twinsOf } from './twins';

export type WatchedPhoto = CheckedPhoto & {
  readonly id: number;
  readonly name: string;
  readonly review: 'open' | 'good' | 'out';
};

/** What is new since the last change. */
export type FindingsChange = {
  /** Photos whose place or findings are not what they were; those left out have no findings. */
  readonly photos: readonly { readonly id: number; readonly placed: Placed; readonly findings: readonly Finding[] }[];
  /** About the template or an output, the same for every photo. */
  readonly ofOutputs: readonly Finding[];
  readonly means: BatchMeans;
};

export type FindingsWatch = {
  /** Another template, or the same. */
  readonly useTemplate: (template: Template) => void;
  /** Photos that are new or have changed; `order` names all that there are, in their order. */
  readonly usePhotos: (changed: readonly WatchedPhoto[], order: readonly number[]) => void;
  /** What has changed since the last call. */
  readonly changes: () => FindingsChange;
};

const ALONE: readonly CheckDefinition[] = CHECKS.filter(({ compares }) => !compares);
const COMPARED: readonly CheckDefinition[] = CHECKS.filter(({ compares }) => compares);

/** What is known of a photo; null where it has to be worked out anew. */
type Known = {
  photo: WatchedPhoto;
  alone: readonly Finding[] | null;
  compared: readonly Finding[] | null;
  told: boolean;
};

const places = new Map(CHECKS.map(({ id }, i) => [id, i]));
const inOrder = (findings: Finding[]) => findings.sort((a, b) => places.get(a.check)! - places.get(b.check)!);

const sameTwin = (a: CheckedPhoto['twin'], b: CheckedPhoto['twin']) => a?.name === b?.name && a?.bits === b?.bits;
/** To what doubles are told by. */
const looksTheSame = ({ sight: a }: CheckedPhoto, { sight: b }: CheckedPhoto) =>
  a?.hash === b?.hash && a?.cells === b?.cells;

const sameMeans = (a: BatchMeans | null, b: BatchMeans) =>
  a !== null &&
  a.sharpness === b.sharpness &&
  a.brightness === b.brightness &&
  a.lightest === b.lightest &&
  a.size === b.size;

export function watchFindings(first: Template): FindingsWatch {
  let template = first;
  let place = placer(template);
  let means: BatchMeans | null = null;
  let order: readonly number[] = [];
  let twinsAreOld = true;
  const known = new Map<number, Known>();

  /** Every photo again. */
  const forget = () => {
    for (const one of known.values()) [one.alone, one.compared, one.told] = [null, null, false];
    means = null;
  };

  const taken = () => order.map((id) => known.get(id)!.photo).filter(({ review }) => review !== 'out');

  function findTwins(photos: readonly WatchedPhoto[]): void {
    twinsOf(photos, template.limits.twins).forEach((twin, i) => {
      const one = known.get(photos[i]!.id)!;
      if (sameTwin(one.photo.twin, twin)) return;
      Object.assign(one, { photo: { ...one.photo, twin }, alone: null, told: false });
    });
    twinsAreOld = false;
  }

  return {
    useTemplate: (next) => {
      if (next === template) return;
      if (next.limits.twins !== template.limits.twins) twinsAreOld = true;
      template = next;
      place = placer(template);
      forget();
    },
    usePhotos: (changed, all) => {
      for (const photo of changed) {
        const before = known.get(photo.id)?.photo;
        // A photo that was only moved looks as it did.
        const isSame = before !== undefined && looksTheSame(before, photo);
        if (!isSame || before.review !== photo.review) twinsAreOld = true;
        const twin = isSame ? before.twin : null;
        known.set(photo.id, { photo: { ...photo, twin }, alone: null, compared: null, told: false });
      }
      if (all.length !== order.length || all.some((id, i) => id !== order[i])) twinsAreOld = true;
      order = all;
      const there = new Set(all);
      for (const id of known.keys()) if (!there.has(id)) known.delete(id);
    },
    changes: () => {
      if (twinsAreOld) findTwins(taken());
      const photos = taken();
      const now = meansOf(template, photos, place);
      const moved = !sameMeans(means, now);
      means = now;
      const { check } = checker(template, now, place);
      const changes: FindingsChange['photos'][number][] = [];
      const ofOutputs = new Map<string, Finding>();
      for (const id of order) {
        const one = known.get(id)!;
        const isOut = one.photo.review === 'out';
        if (moved) one.compared = null;
        one.alone ??= isOut ? [] : check(one.photo, undefined, ALONE);
        if (one.compared === null) {
          one.compared = isOut ? [] : check(one.photo, undefined, COMPARED);
          one.told = false;
        }
        const findings = inOrder([...one.alone, ...one.compared]);
        // The same for every photo, or for every photo of a slot.
        if (ofOutputs.size === 0 || hasSlots(template))
          for (const finding of findings)
            if (finding.about === 'output') ofOutputs.set(`${finding.check}: ${finding.message}`, finding);
        if (one.told) continue;
        one.told = true;
        changes.push({ id, placed: place(one.photo), findings: findings.filter(({ about }) => about === 'photo') });
      }
      return { photos: changes, ofOutputs: [...ofOutputs.values()], means: now };
    },
  };
}
