import { softCoverage } from '../raster';
import { flatten, offset, raggedOutline } from '../shape';
import { parseTemplate, templateOutline } from '../template';
import { softly } from './softly';

const SIDE = 160;
const window = { left: 0, top: 0, width: SIDE, height: SIDE };
const plain = parseTemplate({ wobrel: 1, name: 'T', frame: { width: SIDE, height: SIDE } });

test.each([
  ['wobble', 8],
  ['waves', 16],
  ['scallops', 30],
  ['torn', 40],
] as const)('a %s edge of many corners, moved and blurred, is the same to half a step of 8 bits', (kind, size) => {
  const rough = flatten(raggedOutline(templateOutline(plain), { kind, size, amount: 6, seed: 3 }), 1);
  expect(rough[0]!.length).toBeGreaterThan(2000);
  for (const [sigma, distance] of [
    [1.5, 0],
    [6, -9],
    [6, 5],
  ] as const) {
    const light = softly(rough, sigma);
    expect(light[0]!.length).toBeLessThan(rough[0]!.length);
    const [got, wanted] = [light, rough].map((outline) =>
      softCoverage(offset(outline, distance, 'round'), window, sigma),
    );
    expect(got!.reduce((most, v, i) => Math.max(most, Math.abs(v - wanted![i]!)), 0)).toBeLessThan(0.5 / 255);
  }
});
