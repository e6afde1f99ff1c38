/** Colours out of the photo: the same pixels as with that colour written in the template. */
import { blendSchema } from '../paint';
import { drawnNoise, farthest, noiseOn, squareTemplate } from '../testing/drawn';
import { coloursFor, compile, compose, picksOf } from '.';

const SIDE = 120;
const MAIN = { kind: 'picked', from: 'subject', tone: 'main' };
const DARK = { kind: 'picked', from: 'ground', tone: 'dark' };
const [RED, BLUE] = ['#c83214', '#1e5ab4'];
const tones = (colour: string) => ({ main: colour, light: colour, dark: colour, vivid: colour });
const sightOf = (subject: string, ground: string) => ({
  palette: { subject: tones(subject), ground: tones(ground), photo: tones('#00ff00') },
});
const SIGHT = sightOf(RED, BLUE);

/** Every layer that takes a paint, painted with two. */
const painted = (a: unknown, b: unknown) => ({
  shape: { kind: 'circle', box: { cx: 60, cy: 52, width: 80, height: 80 } },
  backdrop: b,
  mat: { bottom: 20, paint: a },
  tints: [{ paint: a, blend: 'multiply', opacity: 0.5 }, { paint: b, blend: 'hue', opacity: 0.7 }],
  borders: [
    { width: 8, paint: b, opacity: 0.6 },
    { width: 5, align: 'outside', gap: 3, paint: a, dash: [9, 6] },
  ],
  shadows: [{ blur: 12, opacity: 0.5 }],
  reflection: { opacity: 0.8 },
}); // prettier-ignore

test('every layer takes it, also mirrored, over shadows and under others', () => {
  const picked = drawnNoise(squareTemplate(SIDE, painted(MAIN, DARK)), 96, 5, SIGHT);
  const written = drawnNoise(squareTemplate(SIDE, painted(RED, BLUE)), 96, 5);
  expect(new Set(picked.plate.picks)).toEqual(new Set([MAIN, DARK]));
  expect(farthest(picked.out, written.out)).toBeLessThanOrEqual(1);
  expect(picked.plate.photoWindow).toEqual(written.plate.photoWindow);
});

test.each(blendSchema.options)('as a tint by %s', (blend) => {
  const tints = (paint: unknown) => ({ filters: { saturate: 1.4 }, tints: [{ paint, blend, opacity: 0.8 }] });
  const picked = drawnNoise(squareTemplate(SIDE, tints(MAIN)), 60, 2, SIGHT);
  expect(farthest(picked.out, drawnNoise(squareTemplate(SIDE, tints(RED)), 60, 2).out)).toBe(0);
});

test('the alpha does not depend on what is picked, nor on the photo', () => {
  const template = squareTemplate(SIDE, painted(MAIN, DARK));
  const alpha = (seed: number, sight: typeof SIGHT) =>
    drawnNoise(template, 96, seed, sight).out.filter((_, i) => i % 4 === 3);
  expect(alpha(1, SIGHT)).toEqual(alpha(2, sightOf(BLUE, '#ffffff')));
});

test('where the photo leaves a gap, what lies below is in its colours, too', () => {
  const fields = { backdrop: MAIN, borders: [{ width: 6, paint: DARK, opacity: 0.5 }] };
  const gaps = (a: unknown, b: unknown) => {
    const template = squareTemplate(SIDE, { ...fields, backdrop: a, borders: [{ ...fields.borders[0], paint: b }] });
    const plate = compile(template, SIDE, null, true);
    const noise = noiseOn(plate, 4);
    const holed = { ...noise, data: noise.data.map((v, i) => (i % 8 === 3 ? 90 : v)), opaque: false };
    return compose(plate, holed, coloursFor(plate.picks, SIGHT));
  };
  expect(farthest(gaps(MAIN, DARK), gaps(RED, BLUE))).toBeLessThanOrEqual(2);
});

test('a layer that is off asks for no colour; a photo that was not looked at gives grey', () => {
  const template = squareTemplate(SIDE, {
    borders: [{ paint: MAIN, on: false }],
    tints: [{ paint: DARK }, { paint: { ...DARK } }],
  });
  expect(picksOf(template)).toEqual([DARK]);
  expect(coloursFor([DARK as never], null)).toEqual([[128 / 255, 128 / 255, 128 / 255]]);
  expect(template.borders[0]!.paint).toEqual(MAIN);
});
