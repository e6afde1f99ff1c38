import { overlap, type Box } from '../boxes';
import { toLab, type Raster } from '../lab';
import { busySubject, candidatesOf, partOf, pointedAt, readied, type GrabCut } from '.';
import { cutOut } from './cut';
import { focusOf } from './focus';
import { ranked } from './rank';
import { salienceOf } from './salience';
import { superpixelsOf, VALUES } from './superpixels';
import { seeded } from '../../../../demo/generator/random';

const picture = (width: number, height: number, of: (x: number, y: number) => readonly number[]): Raster => ({
  rgb: Uint8Array.from({ length: width * height * 3 }, (_, k) => {
    const i = Math.floor(k / 3);
    return of(i % width, Math.floor(i / width))[k % 3]!;
  }),
  width,
  height,
});

const [W, H] = [512, 384];
const random = seeded(5);
const spots = Array.from({ length: 60 }, () => [random() * W, random() * H, 40 + 60 * random(), random()] as const);
const DISC = { x: 300, y: 180, r: 70 };
const inDisc = (x: number, y: number) => Math.hypot(x + 0.5 - DISC.x, y + 0.5 - DISC.y) < DISC.r;
const BOX: Box = [(DISC.x - DISC.r) / W, (DISC.y - DISC.r) / H, (2 * DISC.r) / W, (2 * DISC.r) / H];

/** Soft spots of greens and browns, and before them a red disc that is in focus. */
const scene = picture(W, H, (x, y) => {
  if (inDisc(x, y)) return (x + y) % 4 < 2 ? [190, 40, 40] : [230, 70, 60];
  let [r, g, b] = [90, 110, 80];
  for (const [cx, cy, size, tone] of spots) {
    const k = Math.exp(-((x - cx) ** 2 + (y - cy) ** 2) / size ** 2);
    r += k * (110 * tone - 40);
    g += k * 40;
    b -= k * 30 * tone;
  }
  return [r, g, b].map((v) => Math.min(255, Math.max(0, v)));
});
const half = ({ rgb, width, height }: Raster) =>
  picture(width / 2, height / 2, (x, y) => [0, 1, 2].map((c) => rgb[(2 * y * width + 2 * x) * 3 + c]!));
const quarter = half(half(scene));
const lab = toLab(quarter);
const focus = focusOf(scene);

/** All that is red, as a cut that never errs. */
const byRed: GrabCut = ({ rgb }, known) =>
  known.map((_, i) => (rgb[3 * i]! > 150 && rgb[3 * i + 1]! < 90 && rgb[3 * i + 2]! < 90 ? 1 : 0));

test('superpixels share out the whole picture, and each has the mean of its own pixels', () => {
  const { labels, count, means, pixels } = superpixelsOf(lab, 120);
  expect(count).toBeGreaterThan(90);
  expect(pixels.reduce((a, b) => a + b)).toBe(lab.width * lab.height);
  for (const piece of [0, 40, count - 1]) {
    const own = [...labels.keys()].filter((i) => labels[i] === piece);
    expect(means[piece * VALUES]!).toBeCloseTo(own.reduce((sum, i) => sum + lab.l[i]!, 0) / own.length, 3);
    expect(means[piece * VALUES + 3]!).toBeCloseTo(own.reduce((sum, i) => sum + (i % lab.width), 0) / own.length, 3);
  }
});

test('what is in focus is told from what is not', () => {
  const at = (x: number, y: number) => focus[Math.floor(y / 4) * (W / 4) + Math.floor(x / 4)]!;
  expect(at(DISC.x, DISC.y)).toBeGreaterThan(0.9);
  expect(at(40, 340)).toBeLessThan(0.2);
});

test('a disc before a busy ground stands out, the ground does not', () => {
  const salience = salienceOf(lab, focus);
  let [inside, outside] = [0, 0];
  for (let i = 0; i < salience.length; i++) {
    const [x, y] = [4 * (i % lab.width) + 2, 4 * Math.floor(i / lab.width) + 2];
    if (inDisc(x, y)) inside += salience[i]! / (Math.PI * (DISC.r / 4) ** 2);
    else outside += salience[i]! / (salience.length - Math.PI * (DISC.r / 4) ** 2);
  }
  expect(inside).toBeGreaterThan(0.75);
  expect(outside).toBeLessThan(0.15);
});

test('peaks of the network are things, each once, with boxes in shares', () => {
  const [width, height] = [32, 24];
  const thing = new Float32Array(width * height).fill(0.01);
  const sides = new Float32Array(4 * width * height).fill(20);
  thing[10 * width + 12] = 0.8;
  thing[10 * width + 13] = 0.6;
  thing[20 * width + 28] = 0.2;
  const found = candidatesOf({ thing, sides, width, height });
  expect(found.map(({ score }) => score)).toEqual([expect.closeTo(0.8, 5), expect.closeTo(0.2, 5)]);
  // The middle at (48, 40) of 128 × 96 pixels, drawn a little to the right by its neighbour.
  const [l, t, w, h] = found[0]!.box;
  expect([l * 128 + 20, t * 96 + 20]).toEqual([expect.closeTo(49.44, 1), expect.closeTo(40, 1)]);
  expect([w * 128, h * 96]).toEqual([expect.closeTo(40, 4), expect.closeTo(40, 4)]);
});

test('of several things the one that stands out near the middle comes first, whatever the network thinks', () => {
  const corner: Box = [0, 0.7, 0.2, 0.3];
  const seen = [
    { score: 0.4, box: corner },
    { score: 0.2, box: BOX },
  ];
  expect(ranked(seen, [], { lab, salience: salienceOf(lab, focus), focus })[0]!.box).toBe(BOX);
});

test('a part of a picture is drawn between its pixels, and cut off at its rim', () => {
  const slope = picture(64, 48, (x, y) => [2 * x, 3 * y, 0]);
  const { part, within } = partOf(slope, [0.25, -0.5, 0.5, 1], 64);
  expect(within).toEqual([0.25, 0, 0.5, 0.5]);
  expect([part.width, part.height]).toEqual([64, 48]);
  for (const [x, y] of [
    [3, 5],
    [40, 30],
  ] as const)
    expect(Math.abs(part.rgb[(y * 64 + x) * 3]! - 2 * (16 + (x + 0.5) / 2 - 0.5))).toBeLessThan(1);
});

describe('cutting', () => {
  const rough: Box = [BOX[0] - 0.02, BOX[1] + 0.02, BOX[2] + 0.03, BOX[3] - 0.03];

  test('a rough box becomes the thing’s own', () => {
    const cut = cutOut(scene, rough, byRed)!;
    expect(overlap(cut.box, BOX)).toBeGreaterThan(0.96);
    expect(cut.agree).toBeGreaterThan(0.75);
  });

  test('sides that are cut far from the box’s are not believed', () => {
    const wide: Box = [BOX[0], BOX[1], 2 * BOX[2], BOX[3]];
    const cut = cutOut(scene, wide, byRed)!;
    expect(cut.box[0] + cut.box[2]).toBeCloseTo(wide[0] + wide[2], 6);
    expect(cut.agree).toBeLessThan(0.6);
  });

  test('what can’t be parted is none', () => {
    expect(cutOut(scene, rough, () => null)).toBeNull();
    expect(cutOut(scene, [0, 0, 1, 1], byRed)).toBeNull();
  });
});

describe('the subject', () => {
  const looks = [scene, half(scene), quarter] as const;

  test('is found although the network saw something else', () => {
    const subject = busySubject(readied(looks, [{ score: 0.1, box: [0.7, 0.7, 0.2, 0.2] }]), byRed)!;
    expect(overlap(subject.box, BOX)).toBeGreaterThan(0.95);
    expect(subject.area).toBeCloseTo((Math.PI * DISC.r ** 2) / (W * H), 2);
    expect(subject.centroid[0]).toBeCloseTo(DISC.x / W, 2);
    expect(subject.confidence).toBeGreaterThan(0.45);
  });

  test('is sure only where its outline is that of the box', () => {
    const nearly: GrabCut = (part, known) => byRed(part, known, 1)!.map((v, i) => (i % part.width < part.width / 2 ? v : 0)); // prettier-ignore
    expect(busySubject(readied(looks, []), nearly)!.confidence).toBeLessThan(0.45);
  });
});

describe('pointed at', () => {
  const ready = readied([scene, half(scene), quarter], []);

  test.each([
    [0.5, 0.5],
    [0.3, 0.6],
    [0.7, 0.35],
  ])('at %d, %d of the thing, its own box is found', (u, v) => {
    const at = [BOX[0] + u * BOX[2], BOX[1] + v * BOX[3]] as const;
    const found = pointedAt(ready, null, [{ at, is: 'subject' }], byRed)!;
    expect(overlap(found.box, BOX)).toBeGreaterThan(0.95);
  });

  test('in a rough box, too', () => {
    const rough: Box = [BOX[0] - 0.03, BOX[1] - 0.02, BOX[2] + 0.05, BOX[3] + 0.06];
    expect(overlap(pointedAt(ready, rough, [], byRed)!.box, BOX)).toBeGreaterThan(0.95);
  });

  test('what is told goes before what is seen: a second place adds its part, or takes it away', () => {
    /** Everything that is not surely ground, and of the disc the left half only, unless more is told. */
    const asTold: GrabCut = (part, known) => known.map((v, i) => (v === 1 || (v === 3 && i % part.width < part.width / 2) ? 1 : 0)); // prettier-ignore
    const left = { at: [BOX[0] + 0.25 * BOX[2], BOX[1] + 0.5 * BOX[3]], is: 'subject' } as const;
    const right = { at: [BOX[0] + 0.9 * BOX[2], BOX[1] + 0.5 * BOX[3]], is: 'subject' } as const;
    const [one, both] = [[left], [left, right]].map((told) => pointedAt(ready, BOX, told, asTold)!);
    expect(both!.box[0] + both!.box[2]).toBeGreaterThan(one!.box[0] + 0.9 * BOX[2]);
    const without = pointedAt(ready, BOX, [left, { at: [BOX[0] + 0.05 * BOX[2], left.at[1]], is: 'ground' }], asTold)!;
    expect(without.area).toBeLessThan(pointedAt(ready, BOX, [left, left], asTold)!.area);
  });
});
