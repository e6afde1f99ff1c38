/**
 * Gaussian blur: by its own weights where it is narrow, else as six extended box blurs
 * each way: boxes whose two outermost taps carry a fraction, so that any variance is met
 * exactly (Gwosdek, Grewenig, Bruhn and Weickert 2011, "Theoretical foundations of
 * Gaussian convolution by extended box filtering").
 */

const PASSES = 6;

/** Below this sigma the boxes are too coarse, and the Gaussian's own weights are as quick. */
const DIRECT_BELOW = 3;

/** The box of one pass: `radius` full taps on each side and two more of weight `end`, all to be divided by `total`. */
function boxFor(sigma: number) {
  const variance = (sigma * sigma) / PASSES;
  const radius = Math.floor((Math.sqrt(12 * variance + 1) - 1) / 2);
  const end =
    ((2 * radius + 1) * (3 * variance - radius * (radius + 1))) / (6 * ((radius + 1) * (radius + 1) - variance));
  return { radius, end, total: 2 * radius + 1 + 2 * end };
}

/** Pixels beyond which a blur of this sigma spreads nothing. */
export function blurReach(sigma: number): number {
  if (sigma <= 0) return 0;
  return sigma < DIRECT_BELOW ? Math.ceil(4 * sigma) : PASSES * (boxFor(sigma).radius + 1);
}

/** One box pass along a row that has `radius + 1` zeros on both sides of its `width` values. */
function boxRow(
  from: Float64Array,
  to: Float64Array,
  width: number,
  { radius, end, total }: ReturnType<typeof boxFor>,
) {
  const scale = 1 / total;
  const first = radius + 1;
  const last = first + width;
  let sum = 0;
  for (let k = first - radius; k < first + radius; k++) sum += from[k]!;
  for (let k = first; k < last; k++) {
    sum += from[k + radius]!;
    to[k] = (sum + end * (from[k - first]! + from[k + first]!)) * scale;
    sum -= from[k - radius]!;
  }
}

/** What a row is worked with: a box of all passes, or the weights of a narrow Gaussian. */
type RowWork = { readonly box: ReturnType<typeof boxFor> } | { readonly weights: Float64Array };

/** Works on one row that has `room` zeros on both sides; answers which buffer holds the outcome. */
const worked = (work: RowWork, from: Float64Array, to: Float64Array, width: number): Float64Array =>
  'box' in work ? boxed(work.box, from, to, width) : weighed(work.weights, from, to, width);

/**
 * Works along rows of `width`, in place; beyond the ends lies zero. Stretch by stretch in two small
 * buffers with room at their ends: nothing leaves the cache, no tap has to ask where it is, and
 * nothing is done where there is nothing. Several times as fast as passes over the whole picture.
 *
 * @param reach how far all passes together spread
 */
function alongRows(
  pixels: Float32Array,
  width: number,
  height: number,
  room: number,
  reach: number,
  work: RowWork,
): void {
  const from = new Float64Array(width + 2 * room);
  const to = new Float64Array(width + 2 * room);
  for (let y = 0; y < height; y++) {
    const start = y * width;
    for (let x = 0; x < width;) {
      while (x < width && pixels[start + x] === 0) x++;
      if (x === width) break;
      const first = Math.max(0, x - reach);
      // A stretch goes on over gaps that both of its sides spread into.
      let last = x;
      while (x < width && x - last <= 2 * reach) {
        if (pixels[start + x] !== 0) last = x;
        x++;
      }
      const n = Math.min(width, last + 1 + reach) - first;
      for (let k = 0; k < n; k++) from[k + room] = pixels[start + first + k]!;
      from.fill(0, n + room, n + 2 * room);
      to.fill(0, n + room, n + 2 * room);
      const done = worked(work, from, to, n);
      for (let k = 0; k < n; k++) pixels[start + first + k] = done[k + room]!;
      x = Math.max(x, first + n);
    }
  }
}

/** All box passes; an even number, so that they end where they began. */
function boxed(box: ReturnType<typeof boxFor>, from: Float64Array, to: Float64Array, width: number): Float64Array {
  for (let i = 0; i < PASSES; i += 2) {
    boxRow(from, to, width, box);
    boxRow(to, from, width, box);
  }
  return from;
}

/** The weights of a narrow Gaussian from its middle outwards; all taps together sum to 1. */
function weightsFor(sigma: number): Float64Array {
  const reach = blurReach(sigma);
  const weights = Float64Array.from({ length: reach + 1 }, (_, i) => Math.exp((-i * i) / (2 * sigma * sigma)));
  const total = weights.reduce((sum, w, i) => sum + (i === 0 ? w : 2 * w), 0);
  return weights.map((w) => w / total);
}

/** What the taps come to from `first` up to `end`. */
function weigh(weights: Float64Array, from: Float64Array, to: Float64Array, first: number, end: number): void {
  for (let k = first; k < end; k++) to[k] = weights[0]! * from[k]!;
  for (let i = 1; i < weights.length; i++) {
    const weight = weights[i]!;
    for (let k = first; k < end; k++) to[k]! += weight * (from[k - i]! + from[k + i]!);
  }
}

/** The next place from `k` on whose value is not the one before it; `end` where there is none. */
function nextChange(row: Float64Array, k: number, end: number): number {
  while (k < end && row[k] === row[k - 1]) k++;
  return k;
}

/** A narrow Gaussian, tap by tap, wherever a tap sees a change: what is all alike stays as it is. */
function weighed(weights: Float64Array, from: Float64Array, to: Float64Array, width: number): Float64Array {
  const reach = weights.length - 1;
  const end = reach + width;
  const seen = end + reach;
  for (let k = reach; k < end; k++) to[k] = from[k]!;
  for (let change = nextChange(from, 1, seen); change < seen;) {
    const first = Math.max(reach, change - reach);
    let last = change;
    do {
      last = change;
      change = nextChange(from, change + 1, seen);
    } while (change < seen && change - last <= 2 * reach);
    weigh(weights, from, to, first, Math.min(end, last + reach));
  }
  return to;
}

function transpose(from: Float32Array, to: Float32Array, width: number, height: number) {
  const BLOCK = 32; // Blocks keep both sides in the cache: a plain double loop is several times slower.
  for (let by = 0; by < height; by += BLOCK)
    for (let bx = 0; bx < width; bx += BLOCK)
      for (let y = by; y < Math.min(by + BLOCK, height); y++)
        for (let x = bx; x < Math.min(bx + BLOCK, width); x++) to[x * height + y] = from[y * width + x]!;
}

/**
 * Blurs `pixels` (one channel, row by row) in place by a Gaussian of `sigma` pixels.
 * Beyond the rim lies zero: leave `blurReach(sigma)` pixels of room where that matters.
 */
export function blur(pixels: Float32Array, width: number, height: number, sigma: number): void {
  if (sigma <= 0) return;
  const narrow = sigma < DIRECT_BELOW;
  const work = narrow ? { weights: weightsFor(sigma) } : { box: boxFor(sigma) };
  const room = narrow ? blurReach(sigma) : boxFor(sigma).radius + 1;
  const reach = narrow ? room : room * PASSES;
  const other = new Float32Array(pixels.length);
  alongRows(pixels, width, height, room, reach, work);
  transpose(pixels, other, width, height);
  alongRows(other, height, width, room, reach, work);
  transpose(other, pixels, height, width);
}
