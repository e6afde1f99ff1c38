/**
 * Booleans of outlines that keep curves as curves. Clipper does them on fine chords, in time
 * that hardly depends on how near edges lie to each other; every chord knows its curve, so the
 * result is put together of stretches of the curves that went in, cut where the curves cross.
 */
import { Clipper64, ClipType, FillRule as ClipperRule, type Path64 } from 'clipper2-ts';
import { MAX_CROSSINGS, spendWork, tooIntricate, type Budget } from '../budget';
import type { Contour, Outline } from '../path';
import { chordsOf } from './chords';
import { crossMoreThan } from './crossings';
import { curvesOf, type Crossing } from './curves';
import { refit } from './refit';

export type FillRule = 'nonzero' | 'evenodd';
export type ClipOp = 'unite' | 'subtract' | 'intersect';

const OPS: Readonly<Record<ClipOp, ClipType>> = {
  unite: ClipType.Union,
  subtract: ClipType.Difference,
  intersect: ClipType.Intersection,
};

const areaOfPath = (path: Path64): number =>
  path.reduce((sum, { x, y }, i) => {
    const next = path[(i + 1) % path.length]!;
    return sum + x * next.y - next.x * y;
  }, 0) / 2;

const lengthOfPath = (path: Path64): number =>
  path.reduce((sum, { x, y }, i) => {
    const next = path[(i + 1) % path.length]!;
    return sum + Math.hypot(next.x - x, next.y - y);
  }, 0);

/** Slivers between edges that coincide: thinner all along than the chords are near. */
const isDust = (path: Path64, tolerance: number) => Math.abs(areaOfPath(path)) <= tolerance * lengthOfPath(path);

/** More pieces than went in, and than so many, come of edges that nearly coincide. */
const PLENTY = 256;

/**
 * What an operation leaves: contours that don't overlap, clockwise, holes the other way.
 *
 * @throws WobrelError `shape-intricate` where it would take too long
 */
export function clip(
  op: ClipOp,
  subject: readonly Contour[],
  other: readonly Contour[],
  fillRule: FillRule,
  budget: Budget,
): Outline {
  if (subject.length === 0 && other.length === 0) return [];
  const chords = chordsOf([subject, other]);
  const [subjects, others] = chords.paths as [Path64[], Path64[]];
  spendWork(budget, chords.work);
  if (crossMoreThan([...subjects, ...others], MAX_CROSSINGS)) tooIntricate('its lines cross too often');
  const crossings: Crossing[] = [];
  const clipper = new Clipper64();
  const chordOf = (a: number, b: number) => (chords.next[a] === b ? a : b);
  clipper.zCallback = (bottomA, topA, bottomB, topB, at) => {
    crossings.push([chordOf(bottomA.z!, topA.z!), chordOf(bottomB.z!, topB.z!)]);
    at.z = -crossings.length;
  };
  clipper.addSubject(subjects);
  if (others.length > 0) clipper.addClip(others);
  const solution: Path64[] = [];
  clipper.execute(OPS[op], fillRule === 'nonzero' ? ClipperRule.NonZero : ClipperRule.EvenOdd, solution);
  const dust = 0.5 * chords.tolerance * chords.scale;
  const outline = solution
    .filter((path) => !isDust(path, Math.min(dust, 32)))
    .map((path) => curvesOf(chords, path, crossings));
  const count = (contours: readonly Contour[]) => contours.reduce((sum, { cubics }) => sum + cubics.length, 0);
  if (count(outline) < Math.max(PLENTY, 2 * (count(subject) + count(other)))) return outline;
  return outline.map((contour) => refit(contour, chords.tolerance));
}
