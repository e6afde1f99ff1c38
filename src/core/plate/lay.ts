/** Finished pictures laid on each other, pixel by pixel. */
import type { Folded, Plate, SlotPlate } from './plate';

/** Spans of a slot's rows, by its plate's alpha. */
export function spansOf({ blank, width, height }: Plate): Int32Array {
  const spans: number[] = [];
  const sortAt = (i: number) => (blank[i * 4 + 3] === 0 ? 0 : blank[i * 4 + 3] === 255 ? 2 : 1);
  for (let y = 0, i = 0; y < height; y++)
    for (const end = i + width; i < end;) {
      const [first, sort] = [i, sortAt(i)];
      while (i < end && sortAt(i) === sort) i++;
      if (sort > 0) spans.push(first, i - first, sort - 1);
    }
  return Int32Array.from(spans);
}

/** The same where nothing is known of alpha: whole rows. */
export const rowsOf = ({ width, height }: Plate): Int32Array =>
  Int32Array.from({ length: height * 3 }, (_, i) => [Math.floor(i / 3) * width, width, 0][i % 3]!);

/** A product of two bytes, or a sum of such that is no larger, over 255: rounded, in whole numbers, which is several times as quick. */
const over255 = (v: number): number => (v + 128 + ((v + 128) >> 8)) >> 8;

/** Source over, straight, pixel by pixel (W3C Compositing 1 §9.1). */
export function overInto(out: Uint8ClampedArray, k: number, own: Uint8ClampedArray, p: number, n: number): void {
  for (const end = p + n * 4; p < end; p += 4, k += 4) {
    const alpha = own[p + 3]!;
    if (alpha === 0) continue;
    const under = out[k + 3]!;
    if (under === 255) {
      const rest = 255 - alpha;
      out[k] = over255(own[p]! * alpha + out[k]! * rest);
      out[k + 1] = over255(own[p + 1]! * alpha + out[k + 1]! * rest);
      out[k + 2] = over255(own[p + 2]! * alpha + out[k + 2]! * rest);
      continue;
    }
    const below = (under * (255 - alpha)) / 255;
    const all = alpha + below;
    for (let c = 0; c < 3; c++) out[k + c] = (own[p + c]! * alpha + out[k + c]! * below) / all;
    out[k + 3] = all;
  }
}

/** A slot's finished pixels laid on the whole picture. */
export function layInto(
  out: Uint8ClampedArray,
  width: number,
  own: Uint8ClampedArray,
  spans: Int32Array,
  { plate, left, top }: SlotPlate,
): void {
  for (let i = 0; i < spans.length; i += 3) {
    const [first, n] = [spans[i]!, spans[i + 1]!];
    const x = first % plate.width;
    const k = ((top + (first - x) / plate.width) * width + left + x) * 4;
    // One copy of memory where nothing below shows.
    if (spans[i + 2] === 1) out.set(own.subarray(first * 4, (first + n) * 4), k);
    else overInto(out, k, own, first * 4, n);
  }
}

/** Pixels above which nothing is folded: it takes one more picture in memory. */
const MOST_FOLDED = 16_000_000;

/** The pixels that a plate's runs work out: 1 a pixel. */
function workedOut({ runs, width, height }: Plate): Uint8Array {
  const pixels = new Uint8Array(width * height);
  for (let r = 0; r < runs.length; r += 3) {
    const from = runs[r]!;
    pixels.fill(1, from, from + runs[r + 1]!);
  }
  return pixels;
}

const [RUN, NOW, LATER] = [0, 1, 2];

/**
 * Lays once, for all photos, what of the slots is the same for every photo and has no other photo below it:
 * most of their shadows. Null where the picture is too large for that to be worth its memory.
 */
export function foldedSlots(ground: Plate, slots: readonly (SlotPlate | null)[]): Folded | null {
  const { width, height } = ground;
  if (width * height > MOST_FOLDED) return null;
  const blank = ground.blank.slice();
  const varies = workedOut(ground);
  const spans = slots.map((slot) => {
    if (!slot) return null;
    const own = workedOut(slot.plate);
    const rest: number[] = [];
    const { plate, left, top } = slot;
    for (let i = 0; i < slot.spans.length; i += 3) {
      const [begin, n, sort] = [slot.spans[i]!, slot.spans[i + 1]!, slot.spans[i + 2]!];
      const x = begin % plate.width;
      const at = (top + (begin - x) / plate.width) * width + left + x - begin;
      /** What is to be done with a pixel: nothing more than below, laid now, or laid over what each photo leaves. */
      const fateOf = (p: number) => (own[p] === 1 ? RUN : varies[at + p] === 0 ? NOW : LATER);
      for (let p = begin; p < begin + n;) {
        const first = p;
        const fate = fateOf(p);
        while (p < begin + n && fateOf(p) === fate) p++;
        if (fate === NOW) overInto(blank, (at + first) * 4, plate.blank, first * 4, p - first);
        else varies.fill(1, at + first, at + p);
        if (fate === LATER) rest.push(first, p - first, sort);
      }
    }
    return Int32Array.from(rest);
  });
  return { blank, spans };
}
