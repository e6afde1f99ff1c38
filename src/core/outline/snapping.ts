/** Lines of the frame that shapes catch on while they are moved. */

type Frame = { readonly width: number; readonly height: number };

export type Guide = { readonly axis: 'x' | 'y'; readonly at: number };

/** Edges, centre and thirds of one side. */
const LINES = [0, 1 / 3, 1 / 2, 2 / 3, 1];

type Catch = { readonly by: number; readonly at: number };

/** The nearest line to any of the places, if one is within reach; the first place wins a tie. */
function nearest(places: readonly number[], length: number, reach: number): Catch | null {
  let best: Catch | null = null;
  for (const place of places)
    for (const line of LINES) {
      const by = line * length - place;
      if (Math.abs(by) <= reach && (best === null || Math.abs(by) < Math.abs(best.by) - 1e-9))
        best = { by, at: line * length };
    }
  return best;
}

/**
 * How far something must be moved so that one of its places lies on the frame's centre,
 * edges or thirds, and the lines that it then lies on.
 *
 * @param xs places across (its middle first, then its sides), frame units; `ys` those down
 * @param reach how near a line must be, frame units
 */
export function catchLines(xs: readonly number[], ys: readonly number[], { width, height }: Frame, reach: number) {
  const [x, y] = [nearest(xs, width, reach), nearest(ys, height, reach)];
  const guides: Guide[] = [];
  if (x) guides.push({ axis: 'x', at: x.at });
  if (y) guides.push({ axis: 'y', at: y.at });
  return { dx: x?.by ?? 0, dy: y?.by ?? 0, guides };
}
