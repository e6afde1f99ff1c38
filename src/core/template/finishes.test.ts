/** Finishes to begin with. */
import { checker } from '../checks';
import { drawnNoise } from '../testing/drawn';
import { parseTemplate, STARTING_FINISHES, withFinish, withoutFinish } from '.';

const template = (fields: object = {}) => parseTemplate({ wobrel: 1, name: 'T', ...fields });
const named = (id: string) => STARTING_FINISHES.find((finish) => finish.id === id)!;

test.each(STARTING_FINISHES.map((finish) => [finish.id, finish] as const))('%s is a template that is drawn and can be written and read again', (_, finish) => {
  const made = withFinish(template({ captions: [{}], borders: [{}], outputs: [{ width: 120 }] }), finish);
  expect(parseTemplate(JSON.parse(JSON.stringify(made)))).toEqual(made);
  expect(drawnNoise({ ...made, captions: [] }, 120).out.some((v, i) => i % 4 === 3 && v > 0)).toBe(true);
}); // prettier-ignore

test('no two look the same', () => {
  const pictures = STARTING_FINISHES.filter(({ id }) => id !== 'card').map((finish) =>
    drawnNoise({ ...withFinish(template(), finish), captions: [] }, 120).out.join(),
  );
  expect(new Set(pictures).size).toBe(pictures.length);
});

test('plain is a template without a finish; the shape, its corners, frame and centring stay', () => {
  const rich = template({
    frame: { width: 540, height: 800 },
    shape: { kind: 'polygon', sides: 6 },
    edge: { rounding: 12, feather: 9 },
    centring: { rule: 'face' },
    borders: [{}],
    shadows: [{}],
    mat: { top: 9 },
    backdrop: '#ff0000',
  });
  const plain = withFinish(rich, named('plain'));
  const { frame, shape, centring } = rich;
  expect(plain).toMatchObject({ frame, shape, centring, edge: { rounding: 12, feather: 0 }, mat: { top: 0 } });
  expect({ ...plain, edge: null }).toEqual({ ...withoutFinish(rich), mat: plain.mat, outputs: plain.outputs, edge: null }); // prettier-ignore
});

test.each(['mm', 'cm', 'in', 'pt'] as const)('in %s, too, a border is as wide as in pixels, within 4 %% of itself', (unit) => {
  // Two inches at 300 ppi.
  const side = 2 * { mm: 25.4, cm: 2.54, in: 1, pt: 72 }[unit];
  const bordered = STARTING_FINISHES.filter(({ fields }) => 'borders' in fields);
  expect(bordered.length).toBeGreaterThan(2);
  for (const finish of bordered) {
    const [made, pixels] = [{ width: side, height: side, unit, ppi: 300 }, { width: 1080, height: 1080 }].map((frame) => withFinish(template({ frame }), finish)); // prettier-ignore
    made!.borders.forEach(({ width }, i) => {
      const share = pixels!.borders[i]!.width / 1080;
      expect(Math.abs(width / side / share - 1)).toBeLessThan(0.04);
    });
  }
}); // prettier-ignore

test('lengths go by the frame, and what lies in the mat below it stays in the mat', () => {
  const { mat, captions } = withFinish(template({ frame: { width: 540, height: 800 } }), named('card'));
  expect(mat).toMatchObject({ top: 25, bottom: 85 });
  expect(captions[0]).toMatchObject({ size: 28, at: [270, 848], maxWidth: 500 });
});

test('none has a finding on the frame that it was made for', () => {
  const photo = { width: 2000, height: 2000, hasAlpha: false };
  const found = STARTING_FINISHES.flatMap((finish) =>
    checker(withFinish(template(), finish))
      .check(photo)
      .map(({ message }) => `${finish.id}: ${message}`),
  );
  expect(found).toEqual([]);
});
