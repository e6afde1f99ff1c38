import { parseTemplate } from '../template';
import { placer, seenAgain, type PhotoToPlace } from '.';

type Box = readonly [number, number, number, number];

const template = (centring: Record<string, unknown>) =>
  parseTemplate({ wobrel: 1, name: 'T', shape: { kind: 'rectangle', box: { cx: 540, cy: 540, width: 800, height: 800 } }, centring: { rule: 'subject', size: 0.5, gap: 'leave', ...centring } }); // prettier-ignore

/** A photo of 2000 × 1000 pixels. */
const photo = (first: Box, again: Box | null, more: Partial<PhotoToPlace> = {}): PhotoToPlace =>
  ({
    width: 2000,
    height: 1000,
    sight: {
      faces: [],
      subject: { box: first, centroid: [0.5, 0.5], area: 0.1, confidence: 0.9, mask: '', count: 1 },
      again: { subject: again, face: null },
    },
    ...more,
  }) as unknown as PhotoToPlace;

const look = (of: PhotoToPlace, centring: Record<string, unknown> = {}) => {
  const t = template(centring);
  return seenAgain(of, placer(t)(of), t);
};

test('where the second look sees the same, the subject is on its spot, and the looks are not apart', () => {
  const same = look(photo([0.3, 0.3, 0.2, 0.3], [0.3, 0.3, 0.2, 0.3]));
  expect(same).toMatchObject({ apart: { off: 0, size: 0 } });
  expect((same as { size: number }).size).toBeCloseTo(0.5);
});

test('a subject that was taken 100 pixels wide of its place lies off its spot by as much of the shape', () => {
  // 400 pixels are half of the shape: 800 pixels are the shape, 100 of them an eighth; it is a quarter wider.
  const far = look(photo([0.3, 0.3, 0.2, 0.3], [0.325, 0.3, 0.25, 0.3]));
  expect(far).not.toBe('unseen');
  const { off, size, apart } = far as Exclude<typeof far, 'unseen' | null>;
  expect(off[0]).toBeCloseTo(0.125);
  expect(off[1]).toBeCloseTo(0);
  expect(size).toBeCloseTo(0.625);
  expect((far as { box: Box }).box).toEqual([0.325, 0.3, 0.25, 0.3]);
  expect(apart.off).toBeCloseTo(0.125);
  expect(apart.size).toBeCloseTo(0.125);
});

test('a photo moved by hand is seen where it was moved to, the looks no more apart than before', () => {
  const moved = photo([0.3, 0.3, 0.2, 0.3], [0.3, 0.3, 0.2, 0.3], { adjustment: { x: 0.1, y: 0, scale: 1, angle: 0 } });
  expect(look(moved)).toMatchObject({
    off: [expect.closeTo(0.1), expect.closeTo(0)],
    apart: { off: expect.closeTo(0) },
  });
});

test('measured by its height, only that counts', () => {
  const taller = look(photo([0.3, 0.3, 0.2, 0.3], [0.3, 0.3, 0.4, 0.36]), { measure: 'height' });
  expect(taller).toMatchObject({ size: expect.closeTo(0.6) });
});

test('nothing there the second time is said; nobody having looked is not', () => {
  expect(look(photo([0.3, 0.3, 0.2, 0.3], null))).toBe('unseen');
  expect(look(photo([0.3, 0.3, 0.2, 0.3], null), { rule: 'middle' })).toBeNull();
  const other = photo([0.3, 0.3, 0.2, 0.3], [0.3, 0.3, 0.2, 0.3], { handSubject: { box: [0.7, 0.7, 0.1, 0.1] } });
  expect(look(other)).toBeNull();
});

test('a face by the middle between its eyes', () => {
  const face = (x: number) => ({ box: [x - 0.05, 0.3, 0.1, 0.3] as const, eyes: [[x - 0.02, 0.4], [x + 0.02, 0.4]] as const }); // prettier-ignore
  const of = photo([0.3, 0.3, 0.2, 0.3], null);
  const sight = { ...of.sight!, faces: [{ ...face(0.5), score: 0.9 }], again: { subject: null, face: face(0.51) } };
  const seen = look({ ...of, sight } as PhotoToPlace, { rule: 'face', measure: 'height' });
  // 300 pixels of face are half of the shape; 20 pixels are a thirtieth of it.
  expect(seen).toMatchObject({ off: [expect.closeTo(20 / 600), expect.closeTo(0)], size: expect.closeTo(0.5) });
});
