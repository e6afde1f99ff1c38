import * as reference from 'color-blend/unit';
import { seededBytes } from '../testing/photos';
import { blendRow, blendSchema, type Blend } from './blend';

const camel = (mode: Blend) => mode.replace(/-(.)/g, (_, letter: string) => letter.toUpperCase()) as keyof typeof reference; // prettier-ignore

/** Against color-blend, which gives some modes in whole steps of 8 bits: an implementation of the same specification by others. */
test.each(blendSchema.options)('%s of 2,000 random colours is what W3C Compositing 1 says', (mode) => {
  const n = 2000;
  const bytes = seededBytes(n * 7, 11);
  const picture = Float32Array.from({ length: n * 3 }, (_, i) => bytes[i]! / 255);
  const paint = Float32Array.from({ length: n * 4 }, (_, i) => bytes[n * 3 + i]! / 255);
  // The ends, where formulas divide by nothing.
  picture.set([0, 1, 0.5, 0, 1, 1]);
  paint.set([0, 0, 0, 1, 1, 1, 1, 1]);
  const before = picture.slice();
  const at = Int32Array.from({ length: n }, (_, i) => i * 4);
  blendRow(mode, picture, { values: paint, at }, n);
  let worst = 0;
  for (let i = 0; i < n; i++) {
    const [r, g, b] = before.subarray(i * 3, i * 3 + 3) as unknown as [number, number, number];
    const [sr, sg, sb, a] = paint.subarray(i * 4, i * 4 + 4) as unknown as [number, number, number, number];
    const wanted = reference[camel(mode)]({ r, g, b, a: 1 }, { r: sr, g: sg, b: sb, a });
    for (const [c, channel] of (['r', 'g', 'b'] as const).entries()) {
      const got = picture[i * 3 + c]!;
      worst = Math.max(worst, Math.abs(got - wanted[channel]));
    }
  }
  expect(worst).toBeLessThan(0.51 / 255);
});
