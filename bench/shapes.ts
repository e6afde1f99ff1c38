/** A union of 200 parts beside joining parts in pairs, in one run. */
import { unite } from '../src/core/shape/combine';
import { completeShape, outlineOf, shapeSchema, type Outline } from '../src/core/shape';
import { median } from './median';

const PARTS = 200;
const PAIRS = 50;

/** Circles around a circle, each overlapping its neighbours. */
const circles = Array.from({ length: PARTS }, (_, i) => {
  const angle = (2 * Math.PI * i) / PARTS;
  const box = { cx: 540 + 400 * Math.cos(angle), cy: 540 + 400 * Math.sin(angle), width: 60, height: 60 };
  return outlineOf(completeShape(shapeSchema.parse({ kind: 'circle', box }), { width: 1080, height: 1080 }));
});

function cpuOf(work: () => void): number {
  const before = process.cpuUsage();
  work();
  const { user, system } = process.cpuUsage(before);
  return (user + system) / 1000;
}

/** Every part joined in turn to what the ones before it make. */
const oneByOne = () => circles.reduce<Outline>((whole, part) => unite([whole, part]), []);

const separately = () => {
  for (let i = 0; i < PAIRS; i++) unite([circles[i]!, circles[i + 1]!]);
};

export type UnionSpeed = {
  parts: number;
  pairs: number;
  /** All at once. */
  all: number;
  /** So many of the joins that make the same whole one by one: their mean, times `pairs`. */
  joins: number;
  /** So many unions of two circles that have nothing to do with each other. */
  apart: number;
  ratio: number;
  apartRatio: number;
};

/** Medians in ms of CPU over interleaved rounds. */
export function measureUnion(rounds: number): UnionSpeed {
  const times: Record<'all' | 'joins' | 'apart', number[]> = { all: [], joins: [], apart: [] };
  separately();
  unite(circles);
  for (let i = 0; i < rounds; i++) {
    times.all.push(cpuOf(() => unite(circles)));
    times.joins.push((cpuOf(oneByOne) / PARTS) * PAIRS);
    times.apart.push(cpuOf(separately));
  }
  const [all, joins, apart] = [median(times.all), median(times.joins), median(times.apart)];
  return { parts: PARTS, pairs: PAIRS, all, joins, apart, ratio: all / joins, apartRatio: all / apart };
}
