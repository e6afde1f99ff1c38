/** How different two pictures are. */

type Pixels = { readonly pixels: Uint8ClampedArray; readonly width: number; readonly height: number };

export type Pair<P> = {
  readonly id: number;
  readonly before: P;
  readonly after: P;
  /** As `differenceOf` tells it. */
  readonly by: number;
};

/** Mean difference of premultiplied colours and alpha, 0…255; Infinity where the pictures are of different sizes. */
export function differenceOf(a: Pixels, b: Pixels): number {
  if (a.width !== b.width || a.height !== b.height) return Infinity;
  let sum = 0;
  for (let k = 0; k < a.pixels.length; k += 4) {
    const [alpha, other] = [a.pixels[k + 3]!, b.pixels[k + 3]!];
    sum += Math.abs(alpha - other);
    for (let c = 0; c < 3; c++) sum += Math.abs(a.pixels[k + c]! * alpha - b.pixels[k + c]! * other) / 255;
  }
  return sum / a.pixels.length;
}

/** Those that differ at all, the most different first. */
export const differing = <P>(pairs: readonly Pair<P>[]): Pair<P>[] =>
  pairs.filter(({ by }) => by > 0).sort((a, b) => (a.by === b.by ? a.id - b.id : b.by - a.by));
