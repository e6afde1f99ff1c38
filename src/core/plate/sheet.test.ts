import { farthest, firstUnlike, noiseOn, squareTemplate } from '../testing/drawn';
import { slotTemplate, type Template } from '../template';
import { coloursFor, compile, compose, composeSheet, type Plate } from '.';

const box = (cx: number, cy: number, width = 120, height = 120, angle = 0) => ({ cx, cy, width, height, angle });

/** Three slots with all that a slot may have, one of them half beyond the frame. */
const SLOTS = [
  {
    name: 'front',
    shape: { kind: 'circle', box: box(90, 90) },
    borders: [{ width: 9, align: 'outside', gap: 3, join: 'miter', paint: { kind: 'along', stops: [[0, '#f00'], [1, '#00f']] }, dash: [12, 6] }], // prettier-ignore
    shadows: [
      { x: 5, y: 11, blur: 14, spread: 3, opacity: 0.6 },
      { kind: 'inner', x: 3, y: 3, blur: 6 },
    ],
    filters: { sepia: 0.6 },
  },
  {
    name: 'side',
    shape: { kind: 'polygon', box: box(190, 120, 130, 110, 20) },
    edge: { feather: 12, featherSide: 'outside' },
    tints: [
      {
        paint: {
          kind: 'contour',
          depth: 40,
          stops: [
            [0, '#012'],
            [1, '#0120'],
          ],
        },
        blend: 'multiply',
      },
    ],
    reflection: { gap: 4, length: 0.4, opacity: 0.5 },
  },
  {
    name: 'top',
    shape: { kind: 'star', box: box(20, 260, 140, 140) },
    shadows: [{ kind: 'ground', y: 6, blur: 4, depth: 12, reach: 30, opacity: 0.8 }],
    borders: [{ width: 7, align: 'centre', paint: '#2f6f5e80' }],
  },
];

const sheet = (fields: object = {}): Template => squareTemplate(300, { slots: SLOTS, ...fields });

/** The sheet with noise in every slot, each of its own seed. */
function drawn(template: Template, width: number, seeds: readonly (number | null)[], plate = compile(template, width)) {
  const photos = plate.sheet!.slots.map((slot, i) => {
    const seed = seeds[i] ?? null;
    return slot && seed !== null ? { pixels: noiseOn(slot.plate, seed), colours: [] } : null;
  });
  return { plate, out: composeSheet(plate, photos, coloursFor(plate.picks, null)).slice() };
}

const alphaOf = (out: Uint8ClampedArray) => out.filter((_, i) => i % 4 === 3);

/** The part of a picture in a window, and how much alpha there is beside it. */
function cutFrom(
  plate: Plate,
  out: Uint8ClampedArray,
  { left, top, plate: { width, height } }: { left: number; top: number; plate: Plate },
) {
  const part = new Uint8ClampedArray(width * height * 4);
  let beside = 0;
  for (let y = 0; y < plate.height; y++)
    for (let x = 0; x < plate.width; x++) {
      const k = (y * plate.width + x) * 4;
      const [px, py] = [x - left, y - top];
      if (px >= 0 && py >= 0 && px < width && py < height) part.set(out.subarray(k, k + 4), (py * width + px) * 4);
      else beside = Math.max(beside, out[k + 3]!);
    }
  return { part, beside };
}

test.each([
  [300, {}],
  [517, { mat: { top: 11, right: 0, bottom: 33, left: 7.5, paint: '#fff' } }],
])('at %d px a slot cut to where it shows is the slot as it is drawn in the whole picture', (width, more) => {
  const template = sheet(more);
  const plate = compile(template, width);
  SLOTS.forEach((_, i) => {
    const whole = { ...slotTemplate(template, i), mat: { ...template.mat, paint: null } };
    const full = compile(whole, width);
    const slot = plate.sheet!.slots[i]!;
    const { part, beside } = cutFrom(full, full.blank, slot);
    expect(beside).toBe(0);
    // Blurs round differently in another window.
    expect(farthest(part, slot.plate.blank)).toBeLessThanOrEqual(2);
    // The same noise in the same pixels of the whole picture.
    const { photoWindow } = slot.plate;
    const pixels = noiseOn(slot.plate, i + 5);
    const inWhole = { ...pixels, window: { ...photoWindow, left: photoWindow.left + slot.left, top: photoWindow.top + slot.top } }; // prettier-ignore
    const wanted = cutFrom(full, compose(full, inWhole), slot).part;
    expect(farthest(wanted, compose(slot.plate, pixels))).toBeLessThanOrEqual(2);
  });
});

test('one slot alone is the cutout that the template without slots makes', () => {
  const { name: _, ...fields } = SLOTS[0]!;
  const plain = squareTemplate(300, { ...fields, backdrop: '#dde' });
  const template = squareTemplate(300, { slots: [SLOTS[0]], backdrop: '#dde' });
  const [whole, plate] = [compile(plain, 300), compile(template, 300)];
  const slot = plate.sheet!.slots[0]!;
  const pixels = noiseOn(slot.plate, 3);
  const inWhole = { ...pixels, window: { ...pixels.window, left: pixels.window.left + slot.left, top: pixels.window.top + slot.top } }; // prettier-ignore
  const out = composeSheet(plate, [{ pixels, colours: [] }], []);
  expect(farthest(out, compose(whole, inWhole))).toBeLessThanOrEqual(2);
});

test('slots lie on each other in their order, source over', () => {
  const two = [
    { name: 'a', shape: { kind: 'rectangle', box: box(50, 50, 60, 60) } },
    { name: 'b', shape: { kind: 'rectangle', box: box(70, 70, 60, 60) }, edge: { feather: 20 } },
  ];
  const template = squareTemplate(120, { slots: two });
  const flat = (plate: Plate, value: number) => ({ pixels: { ...noiseOn(plate, 1), data: noiseOn(plate, 1).data.map((v, i) => (i % 4 === 3 ? v : value)) }, colours: [] }); // prettier-ignore
  const plate = compile(template, 120);
  const [a, b] = plate.sheet!.slots.map((slot) => slot!);
  const out = composeSheet(plate, [flat(a!.plate, 255), flat(b!.plate, 0)], []);
  const at = (x: number, y: number) => [...out.subarray((y * 120 + x) * 4, (y * 120 + x) * 4 + 4)];
  expect(at(30, 30)).toEqual([255, 255, 255, 255]);
  expect(at(95, 95).slice(0, 3)).toEqual([0, 0, 0]);
  // Where both are: as much white as the upper one leaves.
  const own = b!.plate.blank[((60 - b!.top) * b!.plate.width + 52 - b!.left) * 4 + 3]!;
  expect(own).toBeGreaterThan(20);
  expect(at(52, 60)[3]).toBe(255);
  expect(Math.abs(at(52, 60)[0]! - (255 - own))).toBeLessThanOrEqual(1);
});

describe('what lies before', () => {
  const before = [
    { show: 'paint', paint: '#ff000080', shape: { kind: 'rectangle', box: box(150, 40, 300, 40) } },
    { show: 'hole', through: 'all', shape: { kind: 'circle', box: box(100, 100, 50, 50) } },
    { show: 'paint', paint: '#00ff00', shape: { kind: 'circle', box: box(200, 200, 30, 30) } },
  ];
  const template = sheet({ before, backdrop: '#204060' });
  const { out } = drawn(template, 300, [1, 2, 3]);
  const { out: below } = drawn(sheet({ backdrop: '#204060' }), 300, [1, 2, 3]);
  const at = (of: Uint8ClampedArray, x: number, y: number) => [
    ...of.subarray((y * 300 + x) * 4, (y * 300 + x) * 4 + 4),
  ];

  test('a hole through all leaves nothing of any slot', () => {
    expect(at(out, 100, 100)[3]).toBe(0);
    expect(at(out, 80, 110)[3]).toBe(0);
  });

  test('a layer lies over slots and ground, by its opacity', () => {
    expect(at(out, 200, 200)).toEqual([0, 255, 0, 255]);
    const [r, g, b, a] = at(below, 90, 45);
    expect(a).toBe(255);
    const half = 128 / 255;
    [255 * half + r! * (1 - half), g! * (1 - half), b! * (1 - half), 255].forEach((v, c) =>
      expect(Math.abs(at(out, 90, 45)[c]! - v)).toBeLessThanOrEqual(1),
    );
  });
});

test('alpha is byte for byte the same whatever the photos are; an empty slot shows nothing', () => {
  const template = sheet();
  const [one, other, fewer] = [[1, 2, 3], [7, 8, 9], [1, null, 3]].map((seeds) => drawn(template, 260, seeds).out); // prettier-ignore
  expect(alphaOf(one!)).toEqual(alphaOf(other!));
  const without = squareTemplate(300, { slots: [SLOTS[0], SLOTS[2]] });
  expect(firstUnlike(fewer!, drawn(without, 260, [1, 3]).out)).toBe(-1);
});

test('what is not transparent lies in its inked window', () => {
  const { plate, out } = drawn(sheet(), 300, [1, 2, 3]);
  const { left, top, width, height } = plate.inked;
  const seen = { left: 300, top: 300, right: 0, bottom: 0 };
  for (let y = 0; y < 300; y++)
    for (let x = 0; x < 300; x++)
      if (out[(y * 300 + x) * 4 + 3]! > 0) {
        seen.left = Math.min(seen.left, x);
        seen.top = Math.min(seen.top, y);
        seen.right = Math.max(seen.right, x + 1);
        seen.bottom = Math.max(seen.bottom, y + 1);
      }
  expect([left, top, left + width, top + height]).toEqual([seen.left, seen.top, seen.right, seen.bottom]);
});

test('what lies on top of slots is mixed with them all, as with one photo, and a matte is laid below it in the end', () => {
  const over = { show: 'paint', paint: '#c06020a0', blend: 'multiply' };
  const [plain, mixed] = [{}, { before: [over] }].map((fields) => drawn(sheet(fields), 300, [1, 2, 3]).out);
  const [r, g, b] = [0xc0, 0x60, 0x20].map((v) => v / 255);
  const source = 0xa0 / 255;
  let worst = 0;
  for (let k = 0; k < plain!.length; k += 4) {
    const ground = plain![k + 3]! / 255;
    const alpha = source + ground * (1 - source);
    [r!, g!, b!].forEach((own, c) => {
      const below = plain![k + c]! / 255;
      const wanted = source * (1 - ground) * own + source * ground * below * own + (1 - source) * ground * below;
      worst = Math.max(worst, Math.abs((mixed![k + c]! * mixed![k + 3]!) / 255 - wanted * 255));
    });
    worst = Math.max(worst, Math.abs(mixed![k + 3]! - alpha * 255));
  }
  expect(worst).toBeLessThanOrEqual(1.5);
  const onWhite = drawn(
    sheet({ before: [over] }),
    300,
    [1, 2, 3],
    compile(sheet({ before: [over] }), 300, '#ffffff'),
  ).out;
  worst = 0;
  for (let k = 0; k < onWhite.length; k += 4)
    for (let c = 0; c < 3; c++)
      worst = Math.max(worst, Math.abs(onWhite[k + c]! - 255 + (mixed![k + 3]! * (255 - mixed![k + c]!)) / 255));
  expect(worst).toBeLessThanOrEqual(1);
});

test('a colour on top that comes from the photos is that of the first one', () => {
  const plate = compile(sheet({ before: [{ show: 'paint', paint: { kind: 'picked' } }] }), 300);
  const photos = plate.sheet!.slots.map((slot, i) => slot && { pixels: noiseOn(slot.plate, i), colours: [] });
  const out = composeSheet(plate, photos, [[1, 0.5, 0]]);
  expect([...out.subarray(0, 4)]).toEqual([255, 128, 0, 255]);
});
