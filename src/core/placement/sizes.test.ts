import { parseTemplate } from '../template';
import { placer, wantedSize, withSizes } from '.';
import { sizer } from './place';

/** A square photo of 1000 pixels with a face or a subject so high, in its middle. */
const photo = (kind: 'face' | 'subject', extent: number, name = '') => {
  const box = [0.5 - extent / 2, 0.5 - extent / 2, extent, extent] as const;
  const face = { box, eyes: [[0.45, 0.5], [0.55, 0.5]], score: 0.95 } as const; // prettier-ignore
  const subject = { box, centroid: [0.5, 0.5], area: extent * extent, confidence: 0.9, mask: '', count: 1 } as const;
  const sight = { faces: kind === 'face' ? [face] : [], subject: kind === 'subject' ? subject : null };
  return { width: 1000, height: 1000, name, sight } as never as Parameters<ReturnType<typeof placer>>[0];
};
const template = parseTemplate({ wobrel: 1, name: 'T', centring: { rule: 'auto', size: 'batch' } });
const batch = [
  photo('face', 0.2),
  photo('face', 0.3),
  photo('face', 0.25),
  photo('subject', 0.5),
  photo('subject', 0.7),
  photo('subject', 0.6),
];

test('like the batch: faces have the median of the faces, subjects that of the subjects', () => {
  const sized = withSizes(template, batch);
  // A photo that just covers the shape's box shows its own shares of it.
  expect(sized.centring.size).toEqual({ face: expect.closeTo(0.25, 9), subject: expect.closeTo(0.6, 9) });
  const place = placer(sized);
  expect(place(batch[0]!).subject!.size).toBeCloseTo(0.25, 9);
  expect(place(batch[3]!).subject!.size).toBeCloseTo(0.6, 9);
});

test.each(['extend', 'leave', 'enlarge', 'shift'] as const)(
  'a size by itself is the one that placing gives, gaps: %s',
  (gap) => {
    const aside = batch.map((one, i) => ({ ...one, sight: { ...one.sight!, subject: one.sight!.subject && { ...one.sight!.subject, box: [0.1 * i, 0.05, 0.3, 0.4] as const } } })); // prettier-ignore
    for (const size of [null, 0.4]) {
      const own = parseTemplate({ wobrel: 1, name: 'T', centring: { rule: 'auto', size, gap, angle: 20 } });
      const [sizeOf, place] = [sizer(own), placer(own)];
      for (const one of aside) {
        const { rule, subject } = place(one);
        expect(sizeOf(one)).toEqual({ rule, size: subject!.size });
      }
    }
  },
);

test('what is larger although its photo just covers the shape stays as it is', () => {
  const place = placer(withSizes(template, batch));
  expect(place(batch[4]!)).toMatchObject({ used: 'enlarged', subject: { size: expect.closeTo(0.7, 9) } });
});

test('changes by hand do not move the others; without faces there is no size for them', () => {
  const things = batch.slice(3);
  const byHand = things.map((one) => ({ ...one, adjustment: { x: 0, y: 0, scale: 3, angle: 0 } }));
  expect(withSizes(template, byHand).centring.size).toEqual({ face: null, subject: expect.closeTo(0.6, 9) });
});

test('a change that moves no photo keeps the sizes; one that does has its own', () => {
  const sized = withSizes(template, batch);
  const painted = withSizes({ ...template, name: 'Other' }, batch);
  expect(painted.name).toBe('Other');
  expect(painted.centring).toBe(sized.centring);
  const narrower = parseTemplate({ wobrel: 1, name: 'T', shape: { kind: 'ellipse', box: { cx: 540, cy: 540, width: 480, height: 960 } }, centring: template.centring }); // prettier-ignore
  expect(withSizes(narrower, batch).centring.size).not.toEqual(sized.centring.size);
});

test('asked twice of the same photos it is the very same; of others it is not', () => {
  const sized = withSizes(template, batch);
  expect(withSizes(template, batch)).toBe(sized);
  expect(withSizes(template, batch.slice(1))).not.toBe(sized);
});

test('any other template is the very same', () => {
  const fixed = parseTemplate({ wobrel: 1, name: 'T', centring: { rule: 'subject', size: 0.5 } });
  expect(withSizes(fixed, batch)).toBe(fixed);
});

test.each([
  [null, 'face', null],
  [0.5, 'middle', 0.5],
  ['batch', 'subject', null],
  [{ face: 0.4, subject: 0.6 }, 'face', 0.4],
  [{ face: 0.4, subject: 0.6 }, 'point', 0.6],
  [{ face: 0.4, subject: null }, 'subject', null],
] as const)('the size wanted by %j of what is centred by its %s', (size, rule, wanted) => {
  expect(wantedSize(size, rule)).toBe(wanted);
});

test('a size of each kind is read, any other word is refused with its path', () => {
  const size = { face: 0.4, subject: 0.6 };
  expect(parseTemplate({ wobrel: 1, name: 'T', centring: { size } }).centring.size).toEqual(size);
  for (const wrong of ['large', { face: 0.4 }, 0])
    expect(() => parseTemplate({ wobrel: 1, name: 'T', centring: { size: wrong } })).toThrow(/centring\.size/);
});
