import fc from 'fast-check';
import { resample, type PicturePart } from './resample';

const size = 24;
const pixel = (f: (x: number, y: number) => number): PicturePart => {
  const data = new Uint8Array(size * size * 4);
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++) data.set([f(x, y), 255 - f(x, y), 7, 255], (y * size + x) * 4);
  return { data, part: { left: 0, top: 0, width: size, height: size }, width: size, height: size };
};
const ramp = pixel((x, y) => 4 * x + 5 * y);
const at = (out: Uint8ClampedArray, width: number, x: number, y: number) => [...out.slice((y * width + x) * 4, (y * width + x) * 4 + 4)]; // prettier-ignore

test('moved by whole pixels, what is within the source is copied exactly', () => {
  fc.assert(
    fc.property(fc.integer({ min: -10, max: 10 }), fc.integer({ min: -10, max: 10 }), (dx, dy) => {
      const window = { left: 0, top: 0, width: size, height: size };
      const out = resample(ramp, window, [1, 0, 0, 1, dx, dy], { kind: 'none' });
      for (let y = 0; y < size; y++)
        for (let x = 0; x < size; x++) {
          const [sx, sy] = [x + dx, y + dy];
          const inside = sx >= 0 && sy >= 0 && sx < size && sy < size;
          if (inside) expect(at(out, size, x, y)).toEqual(at(ramp.data as never, size, sx, sy));
          else expect(at(out, size, x, y)[3]).toBe(0);
        }
    }),
    { numRuns: 20 },
  );
});

test('a straight ramp stays straight however it is turned (Keys’ cubic reproduces polynomials of degree two)', () => {
  const [cos, sin] = [Math.cos(0.4), Math.sin(0.4)];
  const window = { left: 0, top: 0, width: 10, height: 10 };
  const out = resample(ramp, window, [cos, sin, -sin, cos, 8, 5], { kind: 'none' });
  for (let y = 0; y < 10; y++)
    for (let x = 0; x < 10; x++) {
      const [u, v] = [cos * (x + 0.5) - sin * (y + 0.5) + 8, sin * (x + 0.5) + cos * (y + 0.5) + 5];
      if (u < 2 || v < 2 || u > size - 2 || v > size - 2) continue;
      expect(Math.abs(at(out, 10, x, y)[0]! - (4 * (u - 0.5) + 5 * (v - 0.5)))).toBeLessThanOrEqual(1);
    }
});

describe('beyond the source', () => {
  const window = { left: -12, top: 0, width: 12, height: size };
  const seen = (outside: Parameters<typeof resample>[3]) => resample(ramp, window, [1, 0, 0, 1, 0, 0], outside);

  test('mirrored, the rim is the axis', () => {
    const out = seen({ kind: 'mirror' });
    for (let x = 0; x < 12; x++) expect(at(out, 12, x, 9)).toEqual(at(ramp.data as never, size, 11 - x, 9));
  });

  test('smeared, every pixel is its rim’s', () => {
    const out = seen({ kind: 'smear' });
    for (let x = 0; x < 12; x++) expect(at(out, 12, x, 9)).toEqual(at(ramp.data as never, size, 0, 9));
  });

  test('into the ground: no seam at the rim, the ground’s own colour further out', () => {
    const out = seen({ kind: 'ground', colour: [200, 100, 50] });
    const rim = at(ramp.data as never, size, 0, 9);
    expect(Math.abs(at(out, 12, 11, 9)[0]! - rim[0]!)).toBeLessThan(30);
    expect(at(out, 12, 0, 9)).toEqual([200, 100, 50, 255]);
    const plain = pixel(() => 90);
    const same = resample(plain, window, [1, 0, 0, 1, 0, 0], { kind: 'ground', colour: [90, 165, 7] });
    expect(new Set(same).size).toBe(4);
  });

  test('nothing: alpha falls to none within a pixel of a turned rim, and half of a halved pixel is left', () => {
    const out = resample(ramp, window, [1, 0, 0, 1, 0.5, 0], { kind: 'none' });
    expect(at(out, 12, 11, 9)[3]).toBe(128);
    expect(at(out, 12, 10, 9)[3]).toBe(0);
  });
});

test('a part of the source gives what the whole gives, as long as it holds what is seen', () => {
  const part = { left: 5, top: 3, width: 14, height: 16 };
  const data = new Uint8Array(part.width * part.height * 4);
  for (let y = 0; y < part.height; y++)
    for (let x = 0; x < part.width; x++)
      data.set(at(ramp.data as never, size, part.left + x, part.top + y), (y * part.width + x) * 4);
  const window = { left: 0, top: 0, width: 6, height: 6 };
  const [cos, sin] = [Math.cos(0.3), Math.sin(0.3)];
  const map = [cos, sin, -sin, cos, 10, 8] as const;
  const whole = resample(ramp, window, map, { kind: 'none' });
  expect(resample({ ...ramp, data, part }, window, map, { kind: 'none' })).toEqual(whole);
});
