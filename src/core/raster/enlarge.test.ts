import fc from 'fast-check';
import { enlarged, partFor, type OpaquePart } from './enlarge';

/** A picture of three channels from a function of its pixels' middles. */
function picture(width: number, height: number, of: (x: number, y: number) => number): OpaquePart {
  const data = new Uint8Array(width * height * 3);
  for (let y = 0, k = 0; y < height; y++)
    for (let x = 0; x < width; x++, k += 3) {
      const value = of(x + 0.5, y + 0.5);
      data.set([value, 255 - value, 7], k);
    }
  return { data, channels: 3, part: { left: 0, top: 0, width, height }, width, height };
}

const whole = (width: number, height: number) => ({ left: 0, top: 0, width, height });

/** Mean of where a colour lies, by how much of it a pixel has. */
function middleOf(pixels: Uint8ClampedArray, width: number): readonly [x: number, y: number] {
  let [sum, x, y] = [0, 0, 0];
  for (let i = 0; i < pixels.length / 3; i++) {
    const value = pixels[3 * i]!;
    sum += value;
    x += value * ((i % width) + 0.5);
    y += value * (Math.floor(i / width) + 0.5);
  }
  return [x / sum, y / sum];
}

test.each([
  [400, 300],
  [97, 61],
  [41, 30],
])('in %d × %d pixels the middle of a spot stays where it is', (width, height) => {
  const spot = picture(40, 30, (x, y) => 250 * Math.exp(-((x - 23) ** 2 + (y - 12) ** 2) / 18));
  const [x, y] = middleOf(enlarged(spot, { width, height }, whole(width, height)), width);
  expect(Math.abs((x / width) * 40 - 23)).toBeLessThan(0.01);
  expect(Math.abs((y / height) * 30 - 12)).toBeLessThan(0.01);
});

test('a straight ramp stays straight, pixel by pixel (Keys’ cubic reproduces polynomials of degree two)', () => {
  const ramp = picture(40, 30, (x, y) => 3 * x + 2 * y);
  const out = enlarged(ramp, { width: 111, height: 73 }, whole(111, 73));
  for (let y = 6; y < 67; y++)
    for (let x = 6; x < 105; x++) {
      const told = 3 * ((x + 0.5) / 111) * 40 + 2 * ((y + 0.5) / 73) * 30;
      // The ramp's own values are whole numbers.
      expect(Math.abs(out[3 * (111 * y + x)]! - told)).toBeLessThanOrEqual(1.1);
    }
});

test('the same size gives the same pixels', () => {
  const ramp = picture(17, 9, (x, y) => 7 * x + 11 * y);
  expect([...enlarged(ramp, ramp, ramp.part)]).toEqual([...ramp.data]);
});

test('a picture of one pixel is that pixel all over, with its alpha', () => {
  const pixel: OpaquePart = {
    data: Uint8Array.of(9, 80, 200, 255),
    channels: 4,
    part: whole(1, 1),
    width: 1,
    height: 1,
  };
  const out = enlarged(pixel, { width: 5, height: 3 }, whole(5, 3));
  for (let k = 0; k < out.length; k += 4) expect([...out.subarray(k, k + 4)]).toEqual([9, 80, 200, 255]);
});

test('a window is seen as in the whole, from the part that it needs', () => {
  const source = picture(23, 19, (x, y) => (x * x * 5 + y * 31) % 256);
  fc.assert(
    fc.property(
      fc.integer({ min: 23, max: 90 }),
      fc.integer({ min: 19, max: 80 }),
      fc.nat(22),
      fc.nat(18),
      (width, height, left, top) => {
        const window = { left, top, width: Math.min(12, width - left), height: Math.min(9, height - top) };
        const part = partFor(window, { width, height }, source);
        const data = new Uint8Array(part.width * part.height * 3);
        for (let y = 0; y < part.height; y++) {
          const from = 3 * ((part.top + y) * 23 + part.left);
          data.set(source.data.subarray(from, from + 3 * part.width), 3 * part.width * y);
        }
        const seen = enlarged({ ...source, data, part }, { width, height }, window);
        const all = enlarged(source, { width, height }, whole(width, height));
        for (let y = 0; y < window.height; y++) {
          const from = 3 * ((top + y) * width + left);
          const row = seen.subarray(3 * window.width * y, 3 * window.width * (y + 1));
          expect(Buffer.from(row).equals(Buffer.from(all.subarray(from, from + 3 * window.width)))).toBe(true);
        }
      },
    ),
    { numRuns: 60 },
  );
});
