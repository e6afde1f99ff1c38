/** A subject that somebody points at: what is costly about a photo is done once, and kept for the next click. */
import { LRUCache } from 'lru-cache';
import type { FoundSubject, Pointing } from '../../core/sight';
import { pointedAt, type Ready } from '../../core/sight/busy';
import { thingsIn } from './detector';
import { isStrip, looksOf } from './look-at';
import { closerIn, salienceIn } from './salience';

/** Things are looked for in a picture so large. */
const THINGS_SIZE = 384;

/** Photos kept ready: those before and after one that is worked on, and some that were left. */
const ready = new LRUCache<string, Promise<Ready | null>>({ max: 6 });

/** A photo with what is costly to find out about it; null of a strip. */
export async function readied(path: string): Promise<Ready | null> {
  const looks = await looksOf(path);
  if (isStrip(looks)) return null;
  const [picture, half] = looks;
  return { picture, salience: await salienceIn(picture, half), seen: await thingsIn(picture, THINGS_SIZE) };
}

function readyOf(path: string): Promise<Ready | null> {
  const known = ready.get(path);
  if (known) return known;
  const made = readied(path);
  ready.set(path, made);
  made.catch(() => ready.delete(path));
  return made;
}

/** The subject; null where nothing is pointed at yet, or it can't be parted from what is around it. */
export async function pointAt(path: string, { from, told }: Pointing): Promise<FoundSubject | null> {
  // OpenCV takes long to begin with, and nothing but clicks asks for it.
  const [known, { grabCut }] = await Promise.all([readyOf(path), import('./grab-cut')]);
  if (!known) return null;
  if (!from && !told.some(({ is }) => is === 'subject')) return null;
  return pointedAt(known, from, told, { grabCut, closer: (box) => closerIn(known.picture, box) });
}
