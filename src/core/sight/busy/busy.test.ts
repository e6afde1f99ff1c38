import { overlap, type Box } from '../boxes';
import type { Raster } from '../lab';
import type { Told } from '../pointing';
import { candidatesOf, clearIn, partOf, pointedAt, rimOf, standingSubject, WIDE, type GrabCut, type Salience } from '.';
import { cutOut } from './cut';
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
/** All that is red, as a cut that never errs. */
const byRed: GrabCut = ({ rgb }, known) =>
  known.map((_, i) => (rgb[3 * i]! > 150 && rgb[3 * i + 1]! < 90 && rgb[3 * i + 2]! < 90 ? 1 : 0));

/** What a network might say: 1 where `at` is below zero, falling to 0 over so many pixels. */
const salience = (side: number, at: (x: number, y: number) => number, rim: number): Salience => ({
  values: Float32Array.from({ length: side * side }, (_, i) =>
    Math.min(1, Math.max(0, 0.5 - at((i % side) + 0.5, Math.floor(i / side) + 0.5) / rim)),
  ),
  width: side,
  height: side,
});
const SIDE = 224;
/** The disc of the scene drawn into a square, and how far a place of the square is from its rim, in the scene's pixels. */
const fromDisc = (x: number, y: number) => Math.hypot((x / SIDE) * W - DISC.x, (y / SIDE) * H - DISC.y) - DISC.r;
const clear = salience(SIDE, fromDisc, 4);

describe('what stands out', () => {
  test('is the subject, with its box, area and middle in shares of the photo', () => {
    const subject = standingSubject(clear)!;
    expect(overlap(subject.box, BOX)).toBeGreaterThan(0.98);
    expect(subject.area).toBeCloseTo((Math.PI * DISC.r ** 2) / (W * H), 3);
    expect(subject.centroid[0]).toBeCloseTo(DISC.x / W, 3);
    expect(subject.centroid[1]).toBeCloseTo(DISC.y / H, 3);
    expect(subject.confidence).toBeGreaterThan(0.45);
  });

  test.each([2, 5, 10])('has a rim as wide as it is drawn, here %d pixels from ground to subject', (width) => {
    // Of a straight rim from 0 to 1, what is between 0.1 and 0.9 is four fifths.
    const half = salience(200, (x) => x - 100, width);
    expect(rimOf(half, [20, 20, 180, 180])).toBeCloseTo(0.8 * width, 0);
  });

  test('is a guess where the rim is wide, and nothing where nothing stands out', () => {
    expect(standingSubject(salience(SIDE, fromDisc, 40))!.confidence).toBeLessThan(0.45);
    const none = salience(SIDE, () => 1, 1);
    expect(rimOf(none)).toBe(Infinity);
    expect(standingSubject(none)).toBeNull();
  });

  test('in a part of the photo it is told in shares of the whole, and not at all where its rim is wide', () => {
    const [l, t, w, h] = BOX;
    const within: Box = [l - w / 4, t - h / 4, 1.5 * w, 1.5 * h];
    const disc = (rim: number) => salience(SIDE, (x, y) => Math.hypot(x - SIDE / 2, y - SIDE / 2) - SIDE / 3, rim);
    clearIn(disc(4), within)!.forEach((v, k) => expect(v).toBeCloseTo(BOX[k]!, 2));
    expect(clearIn(disc(10), within)).toBeNull();
    expect(
      clearIn(
        salience(SIDE, () => 1, 1),
        within,
      ),
    ).toBeNull();
  });

  test('a part that is close by belongs to it; one further away and as large is counted', () => {
    const disc = (cx: number, cy: number, r: number) => (x: number, y: number) => Math.hypot(x - cx, y - cy) - r;
    const both = (a: number, b: number) => salience(200, (x, y) => Math.min(disc(80, 100, 30)(x, y), disc(a, 100, b)(x, y)), 2); // prettier-ignore
    const [near, far] = [standingSubject(both(122, 10))!, standingSubject(both(160, 25))!];
    expect(near.box[0] + near.box[2]).toBeCloseTo(132 / 200, 2);
    expect(near.count).toBe(1);
    expect(far.box[0] + far.box[2]).toBeCloseTo(110 / 200, 2);
    expect(far.count).toBe(2);
  });
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
  });

  test('sides that are cut far from the box’s are not believed', () => {
    const wide: Box = [BOX[0], BOX[1], 2 * BOX[2], BOX[3]];
    const cut = cutOut(scene, wide, byRed)!;
    expect(cut.box[0] + cut.box[2]).toBeCloseTo(wide[0] + wide[2], 6);
  });

  test('what can’t be parted is none', () => {
    expect(cutOut(scene, rough, () => null)).toBeNull();
    expect(cutOut(scene, [0, 0, 1, 1], byRed)).toBeNull();
  });
});

describe('pointed at', () => {
  const place = (u: number, v: number) => [BOX[0] + u * BOX[2], BOX[1] + v * BOX[3]] as const;
  const nothing = salience(SIDE, () => 1, 1);
  const never = () => {
    throw new Error('There is nothing to look for.');
  };
  const rough: Box = [BOX[0] - 0.03, BOX[1] - 0.02, BOX[2] + 0.05, BOX[3] + 0.06];
  /** All of the picture, where nothing stands out. */
  const blind = async () => ({ salience: nothing, within: [0, 0, 1, 1] as const });

  test.each([
    [0.5, 0.5],
    [0.3, 0.6],
    [0.7, 0.35],
  ])('at %d, %d of what clearly stands out, its outline is taken as it is', async (u, v) => {
    const [ready, ways] = [
      { picture: scene, salience: clear, seen: [] },
      { grabCut: never, closer: never },
    ];
    const found = await pointedAt(ready, null, [{ at: place(u, v), is: 'subject' }], ways);
    expect(overlap(found!.box, BOX)).toBeGreaterThan(0.98);
    expect((await pointedAt(ready, rough, [], ways))!.box).toEqual(found!.box);
  });

  /** The surroundings of a box, and in them what is nearer than nothing by a measure from the scene's square. */
  const within: Box = [0.4, 0.2, 0.4, 0.5];
  const closerBy = (boxes: Box[], from: (x: number, y: number) => number) => async (box: Box) => {
    boxes.push(box);
    const at = (x: number, y: number) => from(SIDE * (within[0] + (within[2] * x) / 160), SIDE * (within[1] + (within[3] * y) / 160)); // prettier-ignore
    return { salience: salience(160, at, 4), within };
  };

  describe('whose rim is too wide to be sure of without being asked', () => {
    /** Too large by six pixels all round. */
    const doubtful = salience(SIDE, (x, y) => fromDisc(x, y) - 6, 12);
    const ready = { picture: scene, salience: doubtful, seen: [] };
    const at = (closer: ReturnType<typeof closerBy>) =>
      pointedAt(ready, null, [{ at: place(0.5, 0.5), is: 'subject' }], { grabCut: never, closer });
    const own = standingSubject(doubtful)!.box;

    test('it is looked at closer, and taken by that where both looks see the same thing', async () => {
      expect(rimOf(doubtful)).toBeGreaterThan(WIDE);
      const boxes: Box[] = [];
      const found = await at(closerBy(boxes, fromDisc));
      expect(boxes).toEqual([own]);
      expect(overlap(found!.box, BOX)).toBeGreaterThan(0.98);
    });

    test('it is taken as it is where the closer look sees another, or nothing', async () => {
      const halfOf = (x: number, y: number) => Math.max(fromDisc(x, y), x - (DISC.x / W) * SIDE - 10);
      for (const closer of [closerBy([], halfOf), blind]) expect((await at(closer))!.box).toEqual(own);
    });
  });

  const seen = [
    { score: 0.9, box: [0.05, 0.6, 0.3, 0.3] as const },
    { score: 0.3, box: [BOX[0] - 0.02, BOX[1] + 0.02, BOX[2], BOX[3]] as const },
  ];

  test('where it is not clear what stands out, the surroundings of the thing that is seen there are looked at', async () => {
    const unlike = salience(SIDE, (x, y) => fromDisc(x, y) - 40, 60);
    const ready = { picture: scene, salience: unlike, seen };
    const boxes: Box[] = [];
    const closer = closerBy(boxes, fromDisc);
    const found = await pointedAt(ready, null, [{ at: place(0.4, 0.6), is: 'subject' }], { grabCut: never, closer });
    expect(boxes).toEqual([standingSubject(unlike)!.box, seen[1]!.box]);
    expect(overlap(found!.box, BOX)).toBeGreaterThan(0.98);
    expect(found!.area).toBeCloseTo((Math.PI * DISC.r ** 2) / (W * H), 3);
  });

  test('where nothing stands out, the thing that is seen there is cut out, or what is around the place', async () => {
    const told = [{ at: place(0.4, 0.6), is: 'subject' }] as const;
    const ways = { grabCut: byRed, closer: blind };
    const at = async (things: typeof seen, from: Box | null) =>
      overlap((await pointedAt({ picture: scene, salience: nothing, seen: things }, from, from ? [] : told, ways))!.box, BOX); // prettier-ignore
    expect(await at(seen, null)).toBeGreaterThan(0.95);
    expect(await at([], null)).toBeGreaterThan(0.75);
    expect(await at(seen, rough)).toBeGreaterThan(0.95);
  });

  test('what is told goes before what is seen: a second place adds its part, or takes it away', async () => {
    /** Everything that is not surely ground, and of the disc the left half only, unless more is told. */
    const asTold: GrabCut = (part, known) => known.map((v, i) => (v === 1 || (v === 3 && i % part.width < part.width / 2) ? 1 : 0)); // prettier-ignore
    const by = async (...told: Told[]) =>
      (await pointedAt({ picture: scene, salience: nothing, seen: [] }, BOX, told, { grabCut: asTold, closer: blind }))!; // prettier-ignore
    const left = { at: place(0.25, 0.5), is: 'subject' } as const;
    const one = await by(left);
    const both = await by(left, { at: place(0.9, 0.5), is: 'subject' });
    expect(both.box[0] + both.box[2]).toBeGreaterThan(one.box[0] + 0.9 * BOX[2]);
    const without = await by(left, { at: place(0.05, 0.5), is: 'ground' });
    expect(without.area).toBeLessThan((await by(left, left)).area);
  });

  test('what stands out is what a cut begins with, once more is told', async () => {
    const asKnown: GrabCut = (_, before) => before.map((v) => v & 1);
    const told = [
      { at: place(0.5, 0.5), is: 'subject' },
      { at: place(0.02, 0.02), is: 'subject' },
    ] as const;
    const ready = { picture: scene, salience: clear, seen: [] };
    const found = (await pointedAt(ready, null, told, { grabCut: asKnown, closer: never }))!;
    // The disc takes π/4 of its box; in the corner that is told to be of it, a little more.
    expect(found.area / (BOX[2] * BOX[3])).toBeGreaterThan(Math.PI / 4 - 0.02);
    expect(found.area / (BOX[2] * BOX[3])).toBeLessThan(Math.PI / 4 + 0.05);
  });
});
