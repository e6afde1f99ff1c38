/** How often chords may cross. */
import Flatbush from 'flatbush';
import type { Path64 } from 'clipper2-ts';

/** Chords that stand for all where there are more. */
const SAMPLE = 1000;

type Chord = readonly [ax: number, ay: number, bx: number, by: number];

/** Twice the area of the triangle: its sign says on which side of the chord a point lies. */
const side = ([ax, ay, bx, by]: Chord, x: number, y: number) => (bx - ax) * (y - ay) - (by - ay) * (x - ax);

const cross = (a: Chord, b: Chord) =>
  side(a, b[0], b[1]) * side(a, b[2], b[3]) < 0 && side(b, a[0], a[1]) * side(b, a[2], a[3]) < 0;

const boxOf = ([ax, ay, bx, by]: Chord) =>
  [Math.min(ax, bx), Math.min(ay, by), Math.max(ax, bx), Math.max(ay, by)] as const;

/** True where more than about `most` pairs of chords cross: counted on a thousand of them, evenly through the list. */
export function crossMoreThan(paths: readonly Path64[], most: number): boolean {
  const count = paths.reduce((sum, path) => sum + path.length, 0);
  if ((count * count) / 2 <= most) return false;
  const chords = paths.flatMap((path) =>
    path.map(({ x, y }, i): Chord => {
      const next = path[(i + 1) % path.length]!;
      return [x, y, next.x, next.y];
    }),
  );
  const index = new Flatbush(count, 16, Int32Array);
  for (const chord of chords) index.add(...boxOf(chord));
  index.finish();
  const step = Math.max(1, Math.floor(count / SAMPLE));
  // Every pair is seen from both sides.
  let left = (2 * most) / step;
  for (let i = 0; i < count && left >= 0; i += step)
    index.search(...boxOf(chords[i]!), (k) => {
      if (cross(chords[i]!, chords[k]!)) left--;
      return false;
    });
  return left < 0;
}
