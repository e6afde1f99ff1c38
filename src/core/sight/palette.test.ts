/** Colours out of photos that are made of known ones. */
import { toLab } from './lab';
import { coloursOf, firstLook } from './look';
import { paletteOf } from './palette';

const [WIDTH, HEIGHT] = [120, 90];
type Rgb = readonly [number, number, number];
const hex = (rgb: Rgb) => '#' + rgb.map((v) => v.toString(16).padStart(2, '0')).join('');

/** A picture of one colour a pixel. */
function raster(colourAt: (x: number, y: number) => Rgb) {
  const rgb = new Uint8Array(WIDTH * HEIGHT * 3);
  for (let y = 0, k = 0; y < HEIGHT; y++) for (let x = 0; x < WIDTH; x++, k += 3) rgb.set(colourAt(x, y), k);
  return { rgb, width: WIDTH, height: HEIGHT };
}

const GROUND: Rgb = [230, 228, 222];
const [BODY, SHADE, LIT, SPOT] = [[40, 90, 160], [14, 22, 44], [150, 190, 230], [220, 40, 30]] as const; // prettier-ignore

/** A disc in four colours: half of it its body, the others less. */
const disc = raster((x, y) => {
  if (Math.hypot(x - 60, y - 45) > 30) return GROUND;
  if (Math.hypot(x - 60, y - 45) < 10) return SPOT;
  if (y < 30) return LIT;
  return y > 62 ? SHADE : BODY;
});

test('the subject’s main, light, dark and vivid colour, and the ground’s', () => {
  const first = firstLook(disc);
  const { subject } = first;
  const { palette } = coloursOf(first, subject);
  expect(subject!.area).toBeCloseTo((Math.PI * 30 * 30) / (WIDTH * HEIGHT), 1.5);
  expect(palette!.subject).toEqual({ main: hex(BODY), light: hex(LIT), dark: hex(SHADE), vivid: hex(SPOT) });
  expect(palette!.ground.main).toBe(hex(GROUND));
  expect(palette!.photo).toMatchObject({ main: hex(GROUND), dark: hex(SHADE), light: hex(GROUND), vivid: hex(SPOT) });
});

test('noise around a colour is that colour, and a few pixels of another are none', () => {
  let seed = 7;
  const next = () => (seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0) / 2 ** 32;
  const noisy = raster((x, y) => {
    if (x < 3 && y < 3) return [255, 0, 255];
    return BODY.map((v) => Math.round(v + (next() - 0.5) * 8)) as unknown as Rgb;
  });
  const { main, light, dark, vivid } = paletteOf(noisy, toLab(noisy), null).photo;
  for (const colour of [main, light, dark, vivid])
    [1, 3, 5].forEach((at, c) => expect(Math.abs(parseInt(colour.slice(at, at + 2), 16) - BODY[c]!)).toBeLessThan(3));
});

test('without a subject the rim is the ground', () => {
  const framed = raster((x, y) => (Math.min(x, y, WIDTH - 1 - x, HEIGHT - 1 - y) < 8 ? SHADE : LIT));
  const { ground, subject } = paletteOf(framed, toLab(framed), null);
  expect([ground.main, subject.main]).toEqual([hex(SHADE), hex(LIT)]);
});
