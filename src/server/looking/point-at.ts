/** A subject that somebody points at: what is costly about a photo is done once, and kept for the next click. */
import type { FoundSubject, Pointing } from '../../core/sight';
import { pointedAt, readied, type Ready } from '../../core/sight/busy';
import { thingsIn } from './detector';
import { grabCut } from './grab-cut';
import { isStrip, looksOf, THINGS_SIZE } from './look-at';

/** Photos kept ready: those before and after one that is worked on, and some that were left. */
const KEPT = 6;
/** Null of a strip. */
const ready = new Map<string, Promise<Ready | null>>();

function readyOf(path: string): Promise<Ready | null> {
  const known = ready.get(path);
  if (known) return known;
  const made = looksOf(path).then(async (looks) =>
    isStrip(looks) ? null : readied(looks, await thingsIn(looks[0], THINGS_SIZE)),
  );
  ready.set(path, made);
  made.catch(() => ready.delete(path));
  if (ready.size > KEPT) ready.delete(ready.keys().next().value!);
  return made;
}

/** The subject; null where nothing is pointed at yet, or it can't be parted from what is around it. */
export async function pointAt(path: string, { from, told }: Pointing): Promise<FoundSubject | null> {
  const known = await readyOf(path);
  if (!known) return null;
  if (!from && !told.some(({ is }) => is === 'subject')) return null;
  return pointedAt(known, from, told, grabCut);
}
