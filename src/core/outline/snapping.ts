/** Lines of the frame, and of what else lies in it, that shapes catch on while they are moved. */

type Frame = { readonly width: number; readonly height: number };

export type Guide = { readonly axis: 'x' | 'y'; readonly at: number };

/** Left, top, right, bottom. */
export type Other = readonly [left: number, top: number, right: number, bottom: number];

/** Edges, centre and thirds of one side. */
const LINES = [0, 1 / 3, 1 / 2, 2 / 3, 1];

type Catch = { readonly by: number; readonly at: number };

/** What is caught along one side: by any place, only by the side that comes first, only by the last. */
type Lines = { readonly any: readonly number[]; readonly first: readonly number[]; readonly last: readonly number[] };

/** Lines along one axis: of the frame, of the others' sides and middles, and where the gap to one is as that between two. */
function linesAlong(axis: 0 | 1, length: number, others: readonly Other[]): Lines {
  const spans = others.map((other) => [other[axis], other[axis + 2]!] as const);
  const gaps = spans.flatMap((a) => spans.filter((b) => b[0] > a[1]).map((b) => ({ a, b, gap: b[0] - a[1] })));
  return {
    any: [...LINES.map((line) => line * length), ...spans.flatMap(([from, to]) => [(from + to) / 2, from, to])],
    first: gaps.map(({ b, gap }) => b[1] + gap),
    last: gaps.map(({ a, gap }) => a[0] - gap),
  };
}

/** The nearest line to any of the places, if one is within reach; the first place wins a tie. */
function nearest(places: readonly number[], { any, first, last }: Lines, reach: number): Catch | null {
  let best: Catch | null = null;
  places.forEach((place, i) => {
    for (const at of [...any, ...(i === 1 ? first : i === 2 ? last : [])]) {
      const by = at - place;
      if (Math.abs(by) <= reach && (best === null || Math.abs(by) < Math.abs(best.by) - 1e-9)) best = { by, at };
    }
  });
  return best;
}

/**
 * How far something must be moved so that one of its places lies on the frame's centre,
 * edges or thirds, on a side or the middle of another, or as far from one as two of them
 * are from each other; and the lines that it then lies on.
 *
 * @param xs places across (its middle first, then its left and right side), frame units; `ys` those down
 * @param reach how near a line must be, frame units
 */
export function catchLines(
  xs: readonly number[],
  ys: readonly number[],
  { width, height }: Frame,
  reach: number,
  others: readonly Other[] = [],
) {
  const x = nearest(xs, linesAlong(0, width, others), reach);
  const y = nearest(ys, linesAlong(1, height, others), reach);
  const guides: Guide[] = [];
  if (x) guides.push({ axis: 'x', at: x.at });
  if (y) guides.push({ axis: 'y', at: y.at });
  return { dx: x?.by ?? 0, dy: y?.by ?? 0, guides };
}
