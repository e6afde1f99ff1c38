/** A profile's points, changed one by one so that they stay in order. */
import type { ProfileCurve } from '@/core/layers';

const STEP = 0.01;
/** Most points of a curve. */
export const MOST_POINTS = 16;

const share = (v: number) => Math.round(Math.min(1, Math.max(0, v)) * 1000) / 1000;

/** A point moved as far as its neighbours let it; both ends only up and down. */
export function pointMoved(curve: ProfileCurve, i: number, [at, height]: readonly [number, number]): ProfileCurve {
  const low = i === 0 ? 0 : curve[i - 1]![0] + STEP;
  const high = i === curve.length - 1 ? 1 : curve[i + 1]![0] - STEP;
  const held = i === 0 ? 0 : i === curve.length - 1 ? 1 : share(Math.min(high, Math.max(low, at)));
  return curve.map((point, k) => (k === i ? [held, share(height)] : point));
}

/** One more point where there is room for it, and its place; null where there is none. */
export function pointAdded(curve: ProfileCurve, [at, height]: readonly [number, number]) {
  if (curve.length >= MOST_POINTS || curve.some(([other]) => Math.abs(other - at) < STEP)) return null;
  const after = curve.findIndex(([other]) => other > at);
  if (after <= 0) return null;
  const next: ProfileCurve = [...curve.slice(0, after), [share(at), share(height)], ...curve.slice(after)];
  return { curve: next, i: after };
}

/** Without a point; both ends stay. */
export const pointTaken = (curve: ProfileCurve, i: number): ProfileCurve =>
  i === 0 || i === curve.length - 1 ? curve : curve.filter((_, k) => k !== i);
