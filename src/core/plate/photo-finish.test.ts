import { parseTemplate } from '../template';
import { seededBytes, smoothPhoto } from '../testing/photos';
import { compile } from './compile';
import { compose } from './compose';
import { finishedPhoto } from './runs';
import { sharedPlate, type Plate } from './plate';

const SIZE = 240;
const [R, MIDDLE] = [100, SIZE / 2];
const template = (fields: object) =>
  parseTemplate({
    wobrel: 1,
    name: 'finish',
    frame: { width: SIZE, height: SIZE },
    shape: { kind: 'circle', box: { cx: MIDDLE, cy: MIDDLE, width: 2 * R, height: 2 * R } },
    ...fields,
  });

const withPhoto = (plate: Plate, data: Uint8Array) => compose(plate, { data, window: plate.photoWindow, opaque: true });

function drawn(fields: object, photo: readonly [number, number, number]) {
  const plate = compile(template(fields), SIZE);
  const { width, height } = plate.photoWindow;
  const out = withPhoto(
    plate,
    new Uint8Array(width * height * 4).map((_, i) => (i % 4 === 3 ? 255 : photo[i % 4]!)),
  );
  return { out, at: (x: number, y: number) => [...out.subarray((y * SIZE + x) * 4, (y * SIZE + x) * 4 + 4)] };
}

const FULL = {
  filters: { brightness: 1.1, sepia: 0.3, recolour: { strength: 0.4 } },
  tints: [
    { paint: { kind: 'contour', depth: 40, stops: [[0, '#201000'], [1, '#20100000']] }, blend: 'multiply' }, // prettier-ignore
    { paint: { kind: 'conic', stops: [[0, '#ff0000'], [1, '#0000ff']] }, blend: 'hue', opacity: 0.5 }, // prettier-ignore
    { paint: '#ffcc0040', blend: 'overlay' },
  ],
  shadows: [{ kind: 'inner', y: 10, blur: 20 }, {}],
  borders: [{ width: 6 }],
};

test('the alpha channel is the same as without a finish, and whatever the photo', () => {
  const plate = compile(template(FULL), SIZE);
  const plain = compile(template({ shadows: [{}], borders: FULL.borders }), SIZE);
  const count = plate.photoWindow.width * plate.photoWindow.height * 4;
  const opaque = (bytes: Uint8Array) => bytes.map((v, i) => (i % 4 === 3 ? 255 : v));
  const alpha = (one: Plate, bytes: Uint8Array) => withPhoto(one, opaque(bytes)).filter((_, i) => i % 4 === 3);
  const wanted = Buffer.from(alpha(plain, new Uint8Array(count)));
  for (const seed of [1, 2]) expect(wanted.equals(Buffer.from(alpha(plate, seededBytes(count, seed))))).toBe(true);
});

test('the same on memory that threads share', () => {
  const plate = compile(template(FULL), SIZE);
  const photo = smoothPhoto(plate.photoWindow.width, plate.photoWindow.height);
  const copy = structuredClone(sharedPlate(plate));
  expect(Buffer.compare(Buffer.from(withPhoto(copy, photo)), Buffer.from(withPhoto(plate, photo)))).toBe(0);
});

test('a photo with its finish on comes out on every plate with that finish as one without does', () => {
  const picked = { ...FULL, tints: [...FULL.tints, { paint: { kind: 'picked' }, blend: 'soft-light', opacity: 0.4 }] };
  const own = compile(template(picked), SIZE);
  const { photoWindow: window } = own;
  const data = seededBytes(window.width * window.height * 4, 3).map((v, i) => (i % 4 === 3 ? 255 - (i % 7 === 0 ? 90 : 0) : v)); // prettier-ignore
  const photo = { data, window, opaque: false };
  const colours = [[0.2, 0.6, 0.9]] as const;
  const finished = finishedPhoto(own, photo, colours);
  for (const more of [
    {},
    { reflection: {} },
    { shadows: [FULL.shadows[0]!, { y: 40 }], borders: [{ width: 6, paint: '#ff0000' }] },
  ]) {
    const plate = compile(template({ ...picked, ...more }), SIZE, null, true);
    expect(plate.photoWindow).toEqual(window);
    const [wanted, got] = [photo, finished].map((one) => Buffer.from(compose(plate, one, colours)));
    expect(Buffer.compare(got!, wanted!)).toBe(0);
  }
});

test('filters change the photo alone, not the border on it', () => {
  const { at } = drawn({ filters: { grayscale: 1 }, borders: [{ width: 10, paint: '#ff0000' }] }, [255, 0, 0]);
  // 0.2126 · 255.
  expect(at(MIDDLE, MIDDLE)).toEqual([54, 54, 54, 255]);
  expect(at(MIDDLE - R + 5, MIDDLE)).toEqual([255, 0, 0, 255]);
});

test('tints lie in their order, the first lowest', () => {
  const [red, half] = [
    { paint: '#ff0000', blend: 'normal' },
    { paint: '#0000ff80', blend: 'normal' },
  ];
  expect(drawn({ tints: [red, half] }, [9, 9, 9]).at(MIDDLE, MIDDLE)).toEqual([127, 0, 128, 255]);
  expect(drawn({ tints: [half, red] }, [9, 9, 9]).at(MIDDLE, MIDDLE)).toEqual([255, 0, 0, 255]);
  expect(drawn({ tints: [{ ...red, on: false }] }, [9, 9, 9]).at(MIDDLE, MIDDLE)).toEqual([9, 9, 9, 255]);
});

test('a contour tint goes by the exact distance from the outline', () => {
  const paint = { kind: 'contour', depth: 50, stops: [[0, '#000000'], [1, '#ffffff']] }; // prettier-ignore
  const { at } = drawn({ tints: [{ paint, blend: 'normal' }] }, [9, 9, 9]);
  for (const [dx, dy] of [
    [0, 60],
    [70, 0],
    [-40, 50],
    [45, -60],
  ] as const) {
    const [x, y] = [MIDDLE + dx, MIDDLE + dy];
    const distance = R - Math.hypot(dx + 0.5, dy + 0.5);
    expect(Math.abs(at(x, y)[0]! - Math.min(1, distance / 50) * 255)).toBeLessThanOrEqual(1);
  }
  expect(at(MIDDLE, MIDDLE)).toEqual([255, 255, 255, 255]);
});

test('the area of a hard inner shadow is the circle’s without its lens with the moved one', () => {
  const d = 30;
  const { out } = drawn({ shadows: [{ kind: 'inner', x: d, y: 0, blur: 0, color: '#000000', opacity: 1 }] }, [255, 255, 255]); // prettier-ignore
  // Two circles of the same radius, their middles d apart (a handbook's formula of the lens).
  const lens = 2 * R * R * Math.acos(d / (2 * R)) - (d / 2) * Math.sqrt(4 * R * R - d * d);
  let dark = 0;
  for (let k = 0; k < out.length; k += 4) dark += (out[k + 3]! / 255) * (1 - out[k]! / 255);
  expect(dark / (Math.PI * R * R - lens)).toBeCloseTo(1, 2);
});

test('an inner shadow lies on the tints and below the borders', () => {
  const { at } = drawn(
    {
      tints: [{ paint: '#ffffff', blend: 'normal' }],
      shadows: [{ kind: 'inner', x: 0, y: 0, blur: 0, spread: 40, color: '#000000', opacity: 1 }],
      borders: [{ width: 10, paint: '#00ff00' }],
    },
    [9, 9, 9],
  );
  expect(at(MIDDLE, MIDDLE)).toEqual([255, 255, 255, 255]);
  expect(at(MIDDLE - R + 25, MIDDLE)).toEqual([0, 0, 0, 255]);
  expect(at(MIDDLE - R + 5, MIDDLE)).toEqual([0, 255, 0, 255]);
});
