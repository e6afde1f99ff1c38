/** Pictures and paints behind and before the cutout. */
import { bringPictures } from '../pictures';
import { withFrame } from '../template';
import { drawnNoise, firstUnlike, noiseOn, squareTemplate } from '../testing/drawn';
import { compile } from './compile';
import { compose } from './compose';

const SIZE = 200;
const RED = 'a'.repeat(64);
const HALF = 'b'.repeat(64);

/** 40 × 40 pixels of one colour. */
const even = (colour: readonly number[]) => ({
  data: new Uint8ClampedArray(40 * 40 * 4).map((_, i) => colour[i % 4]!),
  width: 40,
  height: 40,
});

beforeAll(() => bringPictures([RED, HALF], async (sum) => even(sum === RED ? [255, 0, 0, 255] : [0, 0, 255, 128])));

const circle = { kind: 'circle', box: { cx: 100, cy: 100, width: 120, height: 120 } };
const drawn = (fields: object) => drawnNoise(squareTemplate(SIZE, { shape: circle, ...fields }), SIZE);
const show = 'picture';

test('a picture behind fills what the cutout leaves, or its box', () => {
  const all = drawn({ behind: [{ show, picture: RED }] });
  expect(all.at(5, 5)).toEqual([255, 0, 0, 255]);
  expect(all.at(100, 100)).toEqual(drawn({}).at(100, 100));
  const box = drawn({ behind: [{ show, picture: RED, place: { cx: 20, cy: 20, width: 20, height: 20 } }] });
  expect([box.at(9, 20)[3], box.at(10, 20), box.at(29, 29), box.at(30, 20)[3]]).toEqual([0, [255, 0, 0, 255], [255, 0, 0, 255], 0]); // prettier-ignore
});

test('one before lies over photo, border and ground alike, and where there is none nothing changes', () => {
  const place = { cx: 100, cy: 100, width: 40, height: 40 };
  const border = { width: 10, paint: '#00ff00' };
  const plain = drawn({ borders: [border] });
  const { at, out } = drawn({ borders: [border], before: [{ show, picture: RED, place }] });
  expect(at(100, 100)).toEqual([255, 0, 0, 255]);
  expect(at(81, 119)).toEqual([255, 0, 0, 255]);
  const isBeside = (_: number, k: number) => {
    const [x, y] = [(k >> 2) % SIZE, Math.floor((k >> 2) / SIZE)];
    return x < 80 || x >= 120 || y < 80 || y >= 120;
  };
  expect(firstUnlike(out.filter(isBeside), plain.out.filter(isBeside))).toBe(-1);
  const corner = drawn({ before: [{ show, picture: RED, place: { ...place, cx: 20, cy: 20 } }] });
  expect(corner.at(5, 5)).toEqual([255, 0, 0, 255]);
  expect(corner.at(60, 5)[3]).toBe(0);
});

test('half transparent ones mix by source over, in their order (W3C Compositing 1 §9.1)', () => {
  const place = { cx: 100, cy: 100, width: 40, height: 40 };
  const plain = drawn({}).at(100, 100);
  const [r, g, b] = drawn({ before: [{ show, picture: HALF, place }] }).at(100, 100);
  const share = 128 / 255;
  [plain[0]! * (1 - share), plain[1]! * (1 - share), plain[2]! * (1 - share) + 255 * share].forEach((v, c) =>
    expect(Math.abs([r, g, b][c]! - v)).toBeLessThanOrEqual(1.5),
  );
  // Alone on nothing it keeps its own alpha; at half strength half of it.
  expect(drawn({ before: [{ show, picture: HALF, place: { ...place, cx: 20, cy: 20 } }] }).at(10, 10)).toEqual([0, 0, 255, 128]); // prettier-ignore
  expect(drawn({ before: [{ show, picture: HALF, opacity: 0.5 }] }).at(2, 2)[3]).toBe(64);
  const two = drawn({
    before: [
      { show, picture: RED },
      { show, picture: HALF },
    ],
  }).at(2, 2);
  [255 * (1 - share), 0, 255 * share].forEach((v, c) => expect(Math.abs(two[c]! - v)).toBeLessThanOrEqual(1.5));
});

test('a paint before is a scrim over all, and may be a colour of the photo', () => {
  const stops = [[0, '#00000000'], [1, '#000000']]; // prettier-ignore
  const { at } = drawn({ behind: [{ show, picture: RED }], before: [{ show: 'paint', paint: { kind: 'linear', angle: 180, stops } }] }); // prettier-ignore
  expect(Math.abs(at(2, 50)[0]! - 255 * (1 - 50.5 / SIZE))).toBeLessThanOrEqual(1);
  expect(at(2, 199)[0]).toBeLessThan(3);
});

test('its colours are changed as Filter Effects 1 §13 says, whatever its alpha', () => {
  const filters = { grayscale: 1 };
  const grey = 255 * 0.2126;
  const { at } = drawn({ behind: [{ show, picture: RED, filters }] });
  at(5, 5).slice(0, 3).forEach((v) => expect(Math.abs(v - grey)).toBeLessThanOrEqual(1)); // prettier-ignore
  const half = drawn({ before: [{ show, picture: HALF, filters: { brightness: 0.5 } }] }).at(5, 5);
  [0, 0, 127.5, 128].forEach((v, c) => expect(Math.abs(half[c]! - v)).toBeLessThanOrEqual(1.5));
  const paint = drawn({ before: [{ show: 'paint', paint: '#ff000080', filters }] }).at(5, 5);
  [grey, grey, grey, 128].forEach((v, c) => expect(Math.abs(paint[c]! - v)).toBeLessThanOrEqual(1));
  expect(firstUnlike(drawn({ behind: [{ show, picture: RED, filters: {} }] }).out, drawn({ behind: [{ show, picture: RED }] }).out)).toBe(-1); // prettier-ignore
});

test('a layer without a picture, off or of no strength changes nothing', () => {
  const plain = drawn({}).out;
  for (const layer of [{ show }, { show, picture: RED, on: false }, { show, picture: RED, opacity: 0 }])
    expect(firstUnlike(drawn({ before: [layer], behind: [layer] }).out, plain)).toBe(-1);
});

test('one that is not at hand is told by its field', () => {
  const missing = { show, picture: 'c'.repeat(64) };
  expect(() => drawn({ behind: [{ show, picture: RED }, missing] })).toThrow(
    'behind[1].picture: the picture is missing',
  );
  expect(() => drawn({ before: [missing] })).toThrow('before[0].picture: the picture is missing');
});

test('bent to four corners it covers their area, and fills a window of the same corners to its rim', () => {
  const corners = [[40, 30], [170, 50], [150, 180], [30, 140]]; // prettier-ignore
  const shape = { kind: 'path', d: `M${corners.map((at) => at.join(' ')).join('L')}Z` };
  const { out } = drawnNoise(squareTemplate(SIZE, { shape, mode: 'window', behind: [{ show, picture: RED, place: { corners } }] }), SIZE); // prettier-ignore
  let [red, alpha] = [0, 0];
  for (let k = 0; k < out.length; k += 4) alpha = Math.max(alpha, 255 - out[k + 3]!);
  // Along the rim both mix: what is left open there is at most a quarter of a pixel (source over of two halves).
  expect(alpha).toBeLessThanOrEqual(64);
  const alone = drawnNoise(squareTemplate(SIZE, { shape: { kind: 'circle', box: { cx: 1, cy: 1, width: 1, height: 1 } }, behind: [{ show, picture: RED, place: { corners } }] }), SIZE).out; // prettier-ignore
  for (let k = 0; k < alone.length; k += 4) red += alone[k + 3]! / 255;
  const shoelace = corners.reduce((sum, [x, y], k) => {
    const [nx, ny] = corners[(k + 1) % 4]!;
    return sum + (x! * ny! - nx! * y!) / 2;
  }, 0);
  expect(red / shoelace).toBeCloseTo(1, 2);
});

describe('in a shape of its own', () => {
  const mark = { kind: 'circle', box: { cx: 40, cy: 50, width: 40, height: 40 } };
  const area = (out: Uint8ClampedArray, x1: number) => {
    let sum = 0;
    for (let y = 0; y < SIZE; y++) for (let x = 0; x < x1; x++) sum += out[(y * SIZE + x) * 4 + 3]! / 255;
    return sum;
  };
  const far = { shape: { kind: 'circle', box: { cx: 160, cy: 160, width: 40, height: 40 } } };

  test.each([
    ['a paint on top', { before: [{ show: 'paint', paint: '#ff0000', shape: mark }] }],
    ['a paint behind', { behind: [{ show: 'paint', paint: '#ff0000', shape: mark }] }],
    ['a picture on top', { before: [{ show, picture: RED, shape: mark }] }],
  ])('%s has the area of the outline (0.05 %%) and its colour', (_, fields) => {
    const { out, at } = drawn({ ...far, ...fields });
    expect(at(40, 50)).toEqual([255, 0, 0, 255]);
    expect(area(out, 100) / (Math.PI * 400)).toBeCloseTo(1, 3);
  });

  test('letters cover what their outline does', () => {
    const d = 'M20 20H60V30H45V80H35V30H20Z';
    const { out } = drawn({ ...far, before: [{ show: 'paint', paint: '#000000', shape: { kind: 'path', d, box: { cx: 40, cy: 50, width: 40, height: 60 } } }] }); // prettier-ignore
    expect(area(out, 100)).toBeCloseTo(400 + 500, 0);
  });

  test('a gradient fills the shape, a picture without a place of its own, too', () => {
    const stops = [[0, '#000000'], [1, '#ff0000']]; // prettier-ignore
    const { at } = drawn({ ...far, before: [{ show: 'paint', paint: { kind: 'linear', angle: 90, stops }, shape: mark }] }); // prettier-ignore
    expect(Math.abs(at(40, 50)[0]! - 255 * (20.5 / 40))).toBeLessThanOrEqual(1);
    const place = { cx: 45, cy: 50, width: 10, height: 10 };
    const half = drawn({ ...far, before: [{ show, picture: RED, place, shape: mark }] });
    expect([half.at(45, 50)[3], half.at(35, 50)[3]]).toEqual([255, 0]);
  });

  test('the photo behind shows in it alone', () => {
    const template = squareTemplate(SIZE, { shape: circle, mode: 'window', behind: [{ blur: 0, shape: { ...mark, box: { cx: 100, cy: 100, width: 50, height: 50 } } }] }); // prettier-ignore
    const plate = compile(template, SIZE);
    const behind = plate.behind.map(({ width, height }) => new Uint8ClampedArray(width * height * 4).fill(200));
    const out = compose(plate, { ...noiseOn(plate, 1), behind });
    expect([...out.subarray((100 * SIZE + 100) * 4, (100 * SIZE + 100) * 4 + 4)]).toEqual([200, 200, 200, 255]);
    expect(out[(100 * SIZE + 150) * 4 + 3]).toBe(0);
  });

  test.each([
    [{ kind: 'combined', parts: [{ op: 'add', shape: mark }] }, 'before[0].shape'],
    [{ kind: 'circle' }, 'before[0].shape'],
  ])('%j is refused by its path', (shape, at) => {
    expect(() => squareTemplate(SIZE, { before: [{ shape }] })).toThrow(at);
  });

  test('it keeps its place and size in another frame', () => {
    const grown = withFrame(squareTemplate(SIZE, { before: [{ shape: mark }] }), { width: 400, height: 400, unit: 'px', ppi: 96 }); // prettier-ignore
    expect(grown.before[0]!.shape).toMatchObject({ box: { cx: 80, cy: 100, width: 80, height: 80 } });
  });
});

describe('holes', () => {
  const letters = { kind: 'path', d: 'M80 80H120V90H105V130H95V90H80Z', box: { cx: 100, cy: 105, width: 40, height: 50 } }; // prettier-ignore
  const AREA = 400 + 400;
  const hole = { show: 'hole', shape: letters };
  const banner = { show: 'paint', paint: '#ff0000', shape: { kind: 'rectangle', box: { cx: 100, cy: 100, width: 90, height: 80 } } }; // prettier-ignore
  const alphaOf = (out: Uint8ClampedArray) => out.reduce((sum, v, i) => (i % 4 === 3 ? sum + v / 255 : sum), 0);

  test('through everything nothing is left, over the area of the outline (0.05 %)', () => {
    const whole = drawn({ borders: [{}], backdrop: '#ffffff', behind: [{ show, picture: RED }] });
    const cut = drawn({ borders: [{}], backdrop: '#ffffff', behind: [{ show, picture: RED }], before: [hole] });
    expect(cut.at(100, 110)[3]).toBe(0);
    expect((alphaOf(whole.out) - alphaOf(cut.out)) / AREA).toBeCloseTo(1, 3);
  });

  test('through the layer below what is below that is seen: letters punched out of a banner show the photo', () => {
    const plain = drawn({});
    const { at, out } = drawn({ before: [banner, { ...hole, through: 'layer' }] });
    expect(at(100, 110)).toEqual(plain.at(100, 110));
    expect(at(85, 120)).toEqual([255, 0, 0, 255]);
    expect(alphaOf(out)).toBeCloseTo(alphaOf(plain.out), 0);
    // The banner's red, measured: its area without the letters'.
    const clear = drawn({ shape: { kind: 'circle', box: { cx: 190, cy: 190, width: 10, height: 10 } }, before: [banner, { ...hole, through: 'layer' }] }).out; // prettier-ignore
    let red = 0;
    for (let y = 0; y < 180; y++) for (let x = 0; x < 180; x++) red += clear[(y * SIZE + x) * 4 + 3]! / 255;
    expect(red / (90 * 80 - AREA)).toBeCloseTo(1, 3);
  });

  test('two holes go through the same layer; one above a layer that is off through none', () => {
    const small = {
      ...hole,
      through: 'layer',
      shape: { kind: 'circle', box: { cx: 70, cy: 75, width: 10, height: 10 } },
    };
    const photo = drawn({});
    const { at } = drawn({ before: [banner, { ...hole, through: 'layer' }, small] });
    expect([at(100, 110), at(70, 75)]).toEqual([photo.at(100, 110), photo.at(70, 75)]);
    const off = drawn({ before: [banner, { ...banner, on: false }, { ...hole, through: 'layer' }] });
    expect(off.at(100, 110)).toEqual([255, 0, 0, 255]);
  });

  test('a layer above a hole lies over it; half as strong it leaves half; without a shape it is none', () => {
    expect(drawn({ before: [hole, banner] }).at(100, 110)).toEqual([255, 0, 0, 255]);
    expect(drawn({ before: [banner, hole] }).at(100, 110)[3]).toBe(0);
    expect(drawn({ before: [{ ...hole, opacity: 0.5 }] }).at(100, 110)[3]).toBe(128);
    expect(firstUnlike(drawn({ before: [{ show: 'hole' }] }).out, drawn({}).out)).toBe(-1);
    expect(firstUnlike(drawn({ before: [{ ...hole, through: 'layer' }] }).out, drawn({}).out)).toBe(-1);
  });
});

test('the alpha does not depend on the photo', () => {
  const fields = { before: [{ show, picture: HALF, place: { cx: 60, cy: 60, width: 90, height: 50 } }], edge: { feather: 20 } }; // prettier-ignore
  const template = squareTemplate(SIZE, { shape: circle, ...fields });
  const [a, b] = [1, 2].map((seed) => drawnNoise(template, SIZE, seed).out.filter((_, i) => i % 4 === 3));
  expect(a).toEqual(b);
});
