import { plainAgain } from '.';
import type { Raster } from '.';

const [WIDTH, HEIGHT] = [512, 384];

/** A dark disc on pale paper that is a little darker towards the right. */
function picture(cx: number, cy: number, radius: number): Raster {
  const rgb = new Uint8Array(3 * WIDTH * HEIGHT);
  for (let y = 0, k = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++, k += 3) {
      const isIn = Math.hypot(x + 0.5 - cx, y + 0.5 - cy) <= radius;
      rgb.set(isIn ? [60, 90, 120] : [220 - x / 50, 218 - x / 50, 210 - x / 50], k);
    }
  return { rgb, width: WIDTH, height: HEIGHT };
}

test.each<[string, readonly [number, number, number, number]]>([
  ['the right box', [140, 90, 120, 120]],
  ['a box too far to the right', [160, 90, 120, 120]],
  ['a box that has only its upper part', [140, 90, 120, 70]],
  ['a box with much around it', [110, 60, 180, 180]],
])('a disc is seen again where it is, given %s', (_, [l, t, w, h]) => {
  const again = plainAgain(picture(200, 150, 60), [l / WIDTH, t / HEIGHT, w / WIDTH, h / HEIGHT])!;
  const pixels = again.map((v, k) => v * (k % 2 ? HEIGHT : WIDTH));
  [140, 90, 120, 120].forEach((v, k) => expect(Math.abs(pixels[k]! - v)).toBeLessThan(2));
});

test('where there is nothing but paper, nothing is seen', () => {
  expect(plainAgain(picture(200, 150, 60), [0.75, 0.7, 0.1, 0.1])).toBeNull();
});
