import sharp from 'sharp';
import { heavyFinding } from '../../core/export';
import { parseTemplate } from '../../core/template';
import { smoothPhoto, seededBytes } from '../../core/testing/photos';
import { encode } from './encode';
import { encodeWithin } from './within';

const [width, height] = [300, 200];
/** Soft colours with some noise, as a photo has. */
const noise = seededBytes(width * height * 4, 7);
const pixels = Uint8ClampedArray.from(smoothPhoto(width, height), (v, i) => (i % 4 === 3 ? 255 : v + (noise[i]! % 24)));
const picture = { pixels, width, height, ppi: 96 };
const output = (fields: object) => parseTemplate({ wobrel: 1, name: 'T', outputs: [fields] }).outputs[0]!;

const FORMATS = ['jpeg', 'webp', 'avif'] as const;
const LIMITS = [4, 9, 16] as const;

test.each(FORMATS.flatMap((format) => LIMITS.map((maxKB) => [format, maxKB] as const)))('%s within %d KB has the highest quality that is, and can be read', async (format, maxKB) => {
  const wanted = output({ format, maxKB, quality: 95 });
  const { data, quality } = await encodeWithin(picture, wanted, null);
  expect(data.length).toBeLessThanOrEqual(maxKB * 1000);
  expect(heavyFinding(wanted, data.length)).toBeNull();
  expect(await sharp(data).metadata()).toMatchObject({ width, height });
  // The next better one is too large, unless it is as good as was asked for.
  if (quality !== 95) expect((await encode(picture, { ...wanted, quality: quality! + 1 }, null)).data.length).toBeGreaterThan(maxKB * 1000); // prettier-ignore
}); // prettier-ignore

test('a file that is small enough at once is encoded as it always was', async () => {
  const plain = await encode(picture, output({ format: 'webp', quality: 80 }), null);
  const { data, quality } = await encodeWithin(picture, output({ format: 'webp', quality: 80, maxKB: 900 }), null);
  expect([data.equals(plain.data), quality]).toEqual([true, 80]);
  expect((await encodeWithin(picture, output({ format: 'webp' }), null)).quality).toBeNull();
});

test('what can’t get there is the smallest there is, and is told', async () => {
  const wanted = output({ format: 'jpeg', maxKB: 1 });
  const { data, quality } = await encodeWithin(picture, wanted, null);
  expect(quality).toBe(1);
  expect(heavyFinding(wanted, data.length)).toMatchObject({ check: 'heavy', message: expect.stringContaining('even at the lowest quality') }); // prettier-ignore
  const png = output({ format: 'png', maxKB: 20 });
  const whole = await encodeWithin(picture, png, null);
  expect(whole.quality).toBeNull();
  expect(heavyFinding(png, whole.data.length)!.message).toContain('PNG has no quality to lower');
});
