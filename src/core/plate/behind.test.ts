/** The photo once more, and paints, behind the cutout. */
import { noiseOn, squareTemplate } from '../testing/drawn';
import { behindPixels, photosBehind, rectBehind } from './behind';
import { compile } from './compile';
import { compose } from './compose';
import { coloursFor } from './picked';

const SIZE = 200;
const circle = { kind: 'circle', box: { cx: 100, cy: 100, width: 120, height: 120 } };

/** A photo behind that is red from left to right and green from the top down. */
function ramps(width: number, height: number): Uint8ClampedArray {
  const out = new Uint8ClampedArray(width * height * 4);
  for (let y = 0, k = 0; y < height; y++)
    for (let x = 0; x < width; x++, k += 4)
      out.set([(255 * (x + 0.5)) / width, (255 * (y + 0.5)) / height, 40, 255], k);
  return out;
}

function drawn(fields: object, width = SIZE, colours = coloursFor([], null)) {
  const template = squareTemplate(SIZE, { shape: circle, ...fields });
  const plate = compile(template, width);
  const photo = noiseOn(plate, 3);
  const behind = plate.behind.map((layer) => behindPixels(ramps(layer.width, layer.height), layer));
  const out = compose(plate, { ...photo, behind }, colours);
  return { plate, out, at: (x: number, y: number) => [...out.subarray((y * width + x) * 4, (y * width + x) * 4 + 4)] };
}

const near = (pixel: readonly number[], wanted: readonly number[], by = 2) =>
  wanted.forEach((v, c) => expect(Math.abs(pixel[c]! - v)).toBeLessThanOrEqual(by));

test('beyond the shape the photo behind shows, within it the photo itself', () => {
  const { at, out } = drawn({ behind: [{ blur: 0 }] });
  near(at(10, 10), [255 * (10.5 / SIZE), 255 * (10.5 / SIZE), 40, 255], 1);
  near(at(190, 20), [255 * (190.5 / SIZE), 255 * (20.5 / SIZE), 40, 255], 1);
  const plain = drawn({});
  expect(at(100, 100)).toEqual(plain.at(100, 100));
  expect(out.every((v, i) => i % 4 !== 3 || v === 255)).toBe(true);
});

test('through a window it shows inside, and a shadow of the photo falls on it', () => {
  const shadow = { x: 0, y: 20, blur: 0, color: '#000000', opacity: 0.5 };
  const { at } = drawn({ mode: 'window', behind: [{ blur: 0 }], shadows: [shadow] });
  near(at(100, 110), [255 * (100.5 / SIZE), 255 * (110.5 / SIZE), 40, 255], 1);
  near(at(100, 50), [(255 * (100.5 / SIZE)) / 2, (255 * (50.5 / SIZE)) / 2, 20, 255], 1);
});

test('half as strong it is half transparent, or mixed with the backdrop', () => {
  expect(drawn({ behind: [{ blur: 0, opacity: 0.5 }] }).at(10, 10)[3]).toBe(128);
  const { at } = drawn({ behind: [{ blur: 0, opacity: 0.5 }], backdrop: '#ffffff' });
  near(at(150, 10), [(255 + 255 * (150.5 / SIZE)) / 2, (255 + 255 * (10.5 / SIZE)) / 2, (255 + 40) / 2, 255], 1);
});

test('paints lie on it in their order, also colours taken from the photo', () => {
  const behind = [{ blur: 0 }, { show: 'paint', paint: '#000000', opacity: 0.5 }];
  near(drawn({ behind }).at(150, 10), [(255 * (150.5 / SIZE)) / 2, (255 * (10.5 / SIZE)) / 2, 20, 255], 1);
  const other = drawn({ behind: [...behind].reverse() });
  near(other.at(150, 10), [255 * (150.5 / SIZE), 255 * (10.5 / SIZE), 40, 255], 1);
  const picked = { kind: 'picked', from: 'subject', tone: 'main' } as const;
  const tones = { main: '#ff0000', light: '#ff0000', dark: '#ff0000', vivid: '#ff0000' };
  const sight = { palette: { subject: tones, ground: tones, photo: tones } };
  const mixed = drawn(
    { behind: [{ blur: 0 }, { show: 'paint', paint: picked, opacity: 0.5 }] },
    SIZE,
    coloursFor([picked], sight),
  );
  near(mixed.at(10, 150), [(255 + 255 * (10.5 / SIZE)) / 2, (255 * (150.5 / SIZE)) / 2, 20, 255], 1);
});

test('a layer that is off, or of no strength, wants nothing of the photo', () => {
  const template = (fields: object) => squareTemplate(SIZE, { behind: [fields] });
  expect(photosBehind(template({ on: false }), SIZE)).toEqual([]);
  expect(photosBehind(template({ opacity: 0 }), SIZE)).toEqual([]);
  expect(photosBehind(template({ show: 'paint' }), SIZE)).toEqual([]);
});

test('a softer one is worked out smaller, and is as soft: an edge blurred by 40 px follows the Gaussian of σ = 20', () => {
  const template = squareTemplate(400, { behind: [{ blur: 40 }] });
  const [layer] = photosBehind(template, 400);
  expect(layer!.width).toBeLessThan(120);
  // Black to the left of the middle, white to its right.
  const half = new Uint8ClampedArray(layer!.width * layer!.height * 4).map((_, i) =>
    i % 4 === 3 || Math.floor(i / 4) % layer!.width >= layer!.width / 2 ? 255 : 0,
  );
  const plate = compile(template, 400);
  const out = compose(plate, { ...noiseOn(plate, 1), behind: [behindPixels(half, layer!)] });
  // Φ(d/σ) from the tables of the standard normal distribution.
  for (const [d, share] of [
    [0, 0.5],
    [20, 0.8413],
    [-20, 0.1587],
    [40, 0.9772],
  ] as const) {
    const x = 200 + d;
    const value = (out[(2 * 400 + x) * 4]! + out[(2 * 400 + x - 1) * 4]!) / 2;
    expect(Math.abs(value / 255 - share)).toBeLessThan(0.02);
  }
});

test.each([
  [{ width: 3000, height: 1000 }, { fit: 'cover' }, { left: -200, top: 0, width: 600, height: 200 }],
  [
    { width: 1000, height: 2000 },
    { fit: 'cover', zoom: 1.5 },
    { left: -50, top: -200, width: 300, height: 600 },
  ],
  [{ width: 3000, height: 1000 }, { fit: 'stretch' }, { left: 0, top: 0, width: 200, height: 200 }],
] as const)('a photo of %j behind, %j, covers the picture about its middle', (photo, fields, rect) => {
  const [layer] = photosBehind(squareTemplate(SIZE, { behind: [{ blur: 0, ...fields }] }), SIZE);
  expect(rectBehind(photo, layer!)).toEqual(rect);
});

test('a mat with a paint of its own leaves it the frame, one without shows it', () => {
  const mat = { top: 20, right: 20, bottom: 20, left: 20 };
  const own = drawn({ behind: [{ blur: 0 }], mat: { ...mat, paint: '#00ff00' } }, SIZE + 40);
  expect(own.at(5, 100)).toEqual([0, 255, 0, 255]);
  near(own.at(30, 30), [255 * (10.5 / SIZE), 255 * (10.5 / SIZE), 40, 255], 1);
  const without = drawn({ behind: [{ blur: 0 }], mat }, SIZE + 40);
  near(without.at(5, 100), [255 * (5.5 / 240), 255 * (100.5 / 240), 40, 255], 1);
});

test('the alpha does not depend on the photo, and a photo with gaps shows what is behind in them', () => {
  const template = squareTemplate(SIZE, { shape: circle, behind: [{ blur: 0 }] });
  const plate = compile(template, SIZE, null, true);
  const data = noiseOn(plate, 5).data.map((v, i) => (i % 4 === 3 ? 0 : v));
  const behind = plate.behind.map((layer) => behindPixels(ramps(layer.width, layer.height), layer));
  const out = compose(plate, { data, window: plate.photoWindow, opaque: false, behind });
  near([...out.subarray((100 * SIZE + 100) * 4, (100 * SIZE + 100) * 4 + 4)], [128, 128, 40, 255], 1);
});

test('its colours are changed after it is blurred: a grey of the luma of Filter Effects 1 §13.4', () => {
  const { at } = drawn({ behind: [{ blur: 0, filters: { grayscale: 1 } }] });
  const [r, g, b] = [255 * (10.5 / SIZE), 255 * (190.5 / SIZE), 40];
  const luma = 0.2126 * r + 0.7152 * g + 0.0722 * b;
  near(at(10, 190), [luma, luma, luma, 255]);
});

describe('the photo once more on top', () => {
  const place = { cx: 150, cy: 150, width: 60, height: 60 };

  test('fills its box, over borders and all, and nothing beyond it', () => {
    const borders = [{ width: 30, paint: '#ff00ff' }];
    const { at, plate } = drawn({ borders, before: [{ show: 'photo', place }] });
    const plain = drawn({ borders });
    expect(plate.behind).toHaveLength(1);
    // A ramp over 60 pixels, as the whole photo lies in the box.
    for (const [x, y] of [
      [125, 130],
      [150, 150],
      [175, 178],
    ] as const)
      near(at(x, y), [(255 * (x - 120 + 0.5)) / 60, (255 * (y - 120 + 0.5)) / 60, 40, 255], 3);
    for (const [x, y] of [
      [118, 150],
      [182, 150],
      [150, 118],
      [60, 60],
    ] as const)
      expect(at(x, y)).toEqual(plain.at(x, y));
  });

  test('in a shape, half strong, after one that lies behind: each is its own source', () => {
    const shape = { kind: 'circle', box: { cx: 150, cy: 150, width: 40, height: 40 } };
    const layers = { behind: [{ blur: 0 }], before: [{ show: 'photo', place, shape, opacity: 0.5, filters: { grayscale: 1 } }] }; // prettier-ignore
    const { at, plate } = drawn(layers);
    const below = drawn({ behind: layers.behind });
    expect(plate.behind).toHaveLength(2);
    const luma = 0.2126 * 127.5 + 0.7152 * 127.5 + 0.0722 * 40;
    near(at(150, 150), below.at(150, 150).slice(0, 3).map((v) => v / 2 + luma / 2), 3); // prettier-ignore
    // In the box, beyond the circle.
    expect(at(123, 123)).toEqual(below.at(123, 123));
  });

  test('alpha is the same for every photo', () => {
    const template = squareTemplate(SIZE, { shape: circle, before: [{ show: 'photo', place, shape: { ...circle, box: { ...circle.box, cx: 150, cy: 150 } } }] }); // prettier-ignore
    const plate = compile(template, SIZE);
    const alphas = [1, 2].map((seed) => {
      const behind = plate.behind.map((layer) => behindPixels(noiseOn({ ...plate, photoWindow: { left: 0, top: 0, width: layer.width, height: layer.height } }, seed).data.slice(), layer)); // prettier-ignore
      return compose(plate, { ...noiseOn(plate, seed), behind }, []).filter((_, i) => i % 4 === 3);
    });
    expect(alphas[0]).toEqual(alphas[1]);
    expect(alphas[0]![175 * SIZE + 175]).toBe(255);
  });
});
