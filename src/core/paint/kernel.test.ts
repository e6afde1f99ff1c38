import { blendCode } from './blend';
import { rowOf } from './kernel';
import { flatRamp, rampOf } from './ramp';

/** The table that changes nothing. */
const plain = Float32Array.from({ length: 768 }, (_, i) => (i % 256) / 255);
const [NORMAL, MULTIPLY] = [blendCode('normal'), blendCode('multiply')];
const flat = (colour: string) => ({ ramp: flatRamp(colour, 1), places: { kind: 'flat' } }) as const;
/** Every byte once in each channel, with alphas of its own. */
const photo = Uint8Array.from({ length: 1024 }, (_, i) => [i >> 2, 255 - (i >> 2), (i >> 2) ^ 85, (i >> 2) ^ 170][i % 4]!); // prettier-ignore

test('a photo that nothing is done to comes out as it went in', () => {
  for (const n of [1, 2, 3, 255]) {
    const row = rowOf(n);
    row.lookUp(plain, photo, 4);
    expect([...row.pack().subarray(0, n * 4)]).toEqual([...photo.subarray(4, 4 + n * 4)]);
  }
});

test('each channel goes by its own table, and beyond both ends it is clamped', () => {
  const table = Float32Array.from({ length: 768 }, (_, i) => [2 * (i / 255), -0.5, 0.2][Math.floor(i / 256)]!);
  const row = rowOf(2);
  row.lookUp(table, Uint8Array.of(100, 9, 9, 7, 200, 9, 9, 8), 0);
  expect([...row.pack().subarray(0, 8)]).toEqual([200, 0, 51, 7, 255, 0, 51, 8]);
});

test('a matrix says what each channel takes from which', () => {
  const row = rowOf(1);
  row.lookUp(plain, Uint8Array.of(51, 102, 204, 255), 0);
  row.mix([0, 1, 0, 0, 0, 0, 0.5, 0.1, 1, 1, 1, 0]);
  expect([...row.pack().subarray(0, 4)]).toEqual([102, 128, 255, 255]);
});

test('more ramps than are held at a time, and longer rows in between, are each their own', () => {
  const gradients = Array.from({ length: 40 }, (_, i) => ({
    ramp: rampOf([[0, `#${(i + 10).toString(16).padStart(2, '0')}0000`], [1, '#ffffff']], 1),
    places: { kind: 'linear', dx: 0, dy: 0, at: 0 },
  }) as const); // prettier-ignore
  for (const times of [0, 1])
    gradients.forEach((paint, i) => {
      const n = 2 + times * 3000 + i * 7;
      const row = rowOf(n);
      row.lookUp(plain, new Uint8Array(n * 4).fill(255), 0);
      row.blend(NORMAL, paint, 0, 0);
      row.blend(MULTIPLY, flat('#ff8000'), 0, 0);
      const packed = row.pack();
      expect([packed[0], packed[1], packed[2], packed[(n - 1) * 4]]).toEqual([i + 10, 0, 0, i + 10]);
    });
});

test('places on a ramp are as near as its steps, and beyond its ends they are its ends', () => {
  const n = 301;
  const paint = {
    ramp: rampOf([[0, '#000000'], [1, '#ffffff']], 1),
    places: { kind: 'linear', dx: 1 / 200, dy: 0, at: -0.25 - 0.5 / 200 },
  } as const; // prettier-ignore
  const row = rowOf(n);
  row.lookUp(plain, new Uint8Array(n * 4), 0);
  row.blend(NORMAL, paint, 0, 0);
  const reds = Array.from({ length: n }, (_, i) => row.pack()[i * 4]!);
  const off = reds.filter((red, i) => Math.abs(red - 255 * Math.min(1, Math.max(0, i / 200 - 0.25))) > 0.75);
  expect(off).toHaveLength(0);
  expect([reds[0], reds[300]]).toEqual([0, 255]);
});

test('of a paint with a colour for each pixel the row’s own are taken', () => {
  const [width, height] = [40, 30];
  const ramp = Float32Array.from({ length: width * height * 4 }, (_, i) => (i % 4 === 3 ? 1 : ((i >> 2) % 200) / 255));
  const row = rowOf(5);
  row.lookUp(plain, new Uint8Array(20).fill(255), 0);
  row.blend(NORMAL, { ramp, places: { kind: 'each', window: { left: 10, top: 20, width, height } } }, 12, 23);
  const first = 3 * width + 2;
  expect(Array.from({ length: 5 }, (_, i) => row.pack()[i * 4])).toEqual([0, 1, 2, 3, 4].map((i) => (first + i) % 200));
});

test('rows ever wider take few memories, and none of them is grown', () => {
  const made: WebAssembly.Memory[] = [];
  const { Memory } = WebAssembly;
  const grown = jest.spyOn(Memory.prototype, 'grow');
  const making = jest.spyOn(WebAssembly, 'Memory').mockImplementation((options) => {
    const memory = new Memory(options);
    made.push(memory);
    return memory;
  });
  for (let n = 5000; n < 40_000; n += 10) rowOf(n);
  expect(made.length).toBeGreaterThan(0);
  expect(made.length).toBeLessThan(5);
  expect(grown).not.toHaveBeenCalled();
  making.mockRestore();
  grown.mockRestore();
});
