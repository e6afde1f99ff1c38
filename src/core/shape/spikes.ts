/** Places where a line runs straight back on itself. */

/** A corner as Clipper has it. */
type Corner = { readonly x: number; readonly y: number };

/** Three corners in a row of which the last leads straight back. */
const turnsBack = (a: Corner, b: Corner, c: Corner) => {
  const [ux, uy, vx, vy] = [b.x - a.x, b.y - a.y, c.x - b.x, c.y - b.y];
  return ux * vy - uy * vx === 0 && ux * vx + uy * vy < 0;
};

/**
 * A closed path, on the grid that Clipper will have it on, without places where it runs straight back on itself, and
 * without a corner twice in a row: these hold no area, and on level ones Clipper runs round without end.
 */
export function withoutSpikes<C extends Corner>(path: readonly C[]): C[] {
  const kept: C[] = [];
  const push = (point: C) => {
    while (kept.length > 1 && turnsBack(kept[kept.length - 2]!, kept[kept.length - 1]!, point)) kept.pop();
    const before = kept[kept.length - 1];
    if (!before || before.x !== point.x || before.y !== point.y) kept.push(point);
  };
  path.forEach(push);
  // The ends meet, too.
  for (let n = kept.length; n > 2; n = kept.length) {
    const [first, second] = [kept[0]!, kept[1]!];
    const [beforeLast, end] = [kept[n - 2]!, kept[n - 1]!];
    if ((end.x === first.x && end.y === first.y) || turnsBack(beforeLast, end, first)) kept.pop();
    else if (turnsBack(end, first, second)) kept.shift();
    else break;
  }
  return kept;
}
