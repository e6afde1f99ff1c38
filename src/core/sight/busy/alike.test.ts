import type { Box } from '../boxes';
import type { Raster } from '../lab';
import type { FoundSubject } from '../sight';
import { smallMask } from '../small-mask';
import { likenessOf, seenAlike, subjectAlike, type Example, type Salience } from '.';

const [W, H] = [256, 192];
type Disc = readonly [x: number, y: number, r: number];
const isIn = ([cx, cy, r]: Disc, x: number, y: number) => Math.hypot(x + 0.5 - cx, y + 0.5 - cy) < r;
const boxOf = ([x, y, r]: Disc): Box => [(x - r) / W, (y - r) / H, (2 * r) / W, (2 * r) / H];

/** A red and a blue disc before green stripes. */
function picture(red: Disc, blue: Disc): Raster {
  const rgb = Uint8Array.from({ length: W * H * 3 }, (_, k) => {
    const [x, y] = [Math.floor(k / 3) % W, Math.floor(k / 3 / W)];
    const ground = (x >> 3) % 2 ? [90, 130, 80] : [70, 110, 60];
    return (isIn(red, x, y) ? [190, 40, 40] : isIn(blue, x, y) ? [40, 60, 190] : ground)[k % 3]!;
  });
  return { rgb, width: W, height: H };
}

/** What a network might say: discs that stand out so surely, 0…1. */
const SIDE = 224;
const standing = (...discs: readonly (readonly [Disc, number])[]): Salience => ({
  values: Float32Array.from({ length: SIDE * SIDE }, (_, i) => {
    const [x, y] = [((i % SIDE) / SIDE) * W, (Math.floor(i / SIDE) / SIDE) * H];
    return Math.max(0, ...discs.map(([disc, sure]) => (isIn(disc, x, y) ? sure : 0)));
  }),
  width: SIDE,
  height: SIDE,
});

/** The red disc of a picture as somebody pointed at it. */
function pointedAtRed(red: Disc, blue: Disc): Example {
  const [cx, cy, r] = red;
  const pixels = Array.from({ length: W * H }, (_, i) => i).filter((i) => isIn(red, i % W, Math.floor(i / W)));
  return { picture: picture(red, blue), subject: { box: boxOf(red), mask: smallMask(pixels, [cx - r, cy - r, cx + r, cy + r], W) } }; // prettier-ignore
}

const example = pointedAtRed([70, 90, 30], [180, 110, 40]);
const [RED, BLUE]: readonly Disc[] = [[190, 60, 32], [80, 120, 45]]; // prettier-ignore
const other = picture(RED!, BLUE!);
const off = (box: readonly number[], disc: Disc) => Math.max(...boxOf(disc).map((v, k) => Math.abs(v - box[k]!)));

test('of two things that stand out the one is the subject that has the colours of those pointed at', () => {
  const both = standing([RED!, 0.9], [BLUE!, 0.99]);
  const found = subjectAlike(both, other, likenessOf([example]))!;
  // Within one and a half pixels.
  expect(off(found.box, RED!)).toBeLessThan(1.5 / H);
  expect(found.confidence).toBeGreaterThan(0.45);
  // The other way round it is the other one.
  const inverse = pointedAtRed([180, 110, 40], [70, 90, 30]);
  const blueExample = { ...inverse, picture: picture([70, 90, 30], [180, 110, 40]) };
  expect(off(subjectAlike(both, other, likenessOf([blueExample]))!.box, BLUE!)).toBeLessThan(1.5 / H);
});

test('what hardly stands out is found by its colours', () => {
  const found = subjectAlike(standing([RED!, 0.2], [BLUE!, 0.99]), other, likenessOf([example]))!;
  // Within two and a half: colours are averaged over seven pixels.
  expect(off(found.box, RED!)).toBeLessThan(2.5 / H);
});

test('one that is more than twice as large as those pointed at is not taken for sure', () => {
  const large: Disc = [150, 96, 75];
  const [wide, blue] = [picture(large, [30, 30, 20]), standing([large, 0.99])];
  const found = subjectAlike(blue, wide, likenessOf([example]))!;
  expect(off(found.box, large)).toBeLessThan(1.5 / H);
  expect(found.confidence).toBe(0.4);
  expect(subjectAlike(blue, wide, likenessOf([pointedAtRed([100, 90, 50], [200, 150, 30])]))!.confidence).toBeGreaterThan(0.45); // prettier-ignore
});

test('what a closer look sees elsewhere, in another size or not at all is not taken for sure', () => {
  const found: FoundSubject = { box: boxOf(RED!), centroid: [0, 0], area: 0.1, confidence: 0.8, mask: '', count: 1 };
  const sure = (again: Disc | null) => seenAlike(found, again && boxOf(again), other).confidence;
  const [x, y, r] = RED!;
  // Shares of its longer side: 5 % of place, 10 % of size.
  expect([[x, y, r] as const, [x + 0.09 * r, y, r] as const, [x, y, 1.09 * r] as const].map(sure)).toEqual([
    0.8, 0.8, 0.8,
  ]);
  expect([null, [x, y + 0.11 * r, r] as const, [x, y, 1.11 * r] as const, BLUE!].map(sure)).toEqual([0.4, 0.4, 0.4, 0.4]); // prettier-ignore
  expect(seenAlike({ ...found, confidence: 0.3 }, null, other).confidence).toBe(0.3);
});

test('where nothing has their colours nothing is found, however surely it stands out', () => {
  const without = picture([-99, -99, 1], BLUE!);
  expect(subjectAlike(standing([BLUE!, 0.9]), without, likenessOf([example]))).toBeNull();
  // Of another thing's colours nothing is known, neither of it nor of a ground.
  const black = { ...without, rgb: without.rgb.map((v, k) => (without.rgb[k - (k % 3) + 2]! === 190 ? 0 : v)) };
  expect(subjectAlike(standing([BLUE!, 1]), black, likenessOf([example]))).toBeNull();
});
