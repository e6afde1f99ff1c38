import fc from 'fast-check';
import { fitted, forLibrary, shapeKey, shapeKeys } from './library';
import { DEFINITIONS } from './registry';
import { scaleShape, completeShape, outlineOf } from './shape';
import { shapeSchema } from './schema';
import { boundsOfOutline } from './bounds';

const shapeOf = (document: object) => completeShape(shapeSchema.parse(document), { width: 1080, height: 1080 });
const box = { cx: 540, cy: 540, width: 900, height: 600 };

test('a shape is known again wherever it lies, however large and turned', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...DEFINITIONS),
      fc.double({ min: 0.3, max: 5, noNaN: true }),
      fc.integer({ min: -180, max: 180 }),
      ({ kind }, k, angle) => {
        const shape = shapeOf({ kind, box });
        const other = scaleShape(shape, (v) => v * k, { ...shape.box, cx: 5, width: 900 * k, height: 600 * k, angle });
        expect(shapeKey(other)).toBe(shapeKey(shape));
        expect(shapeKey(forLibrary(other))).toBe(shapeKey(shape));
      },
    ),
  );
});

test('other numbers or other proportions are another shape', () => {
  const star = (fields: object) => shapeKey(shapeOf({ kind: 'star', box, ...fields }));
  expect(
    new Set([star({}), star({ tips: 7 }), star({ box: { ...box, height: 900 } }), star({ valley: 0.4 })]).size,
  ).toBe(4);
});

test('parts count too, and kinds by their name', () => {
  const part = (kind: string) => ({ op: 'add', shape: { kind, box } });
  const keys = shapeKeys(shapeOf({ kind: 'combined', parts: [part('star'), part('heart')] }));
  expect(keys).toEqual(expect.arrayContaining(['kind:star', 'kind:heart', shapeKey(shapeOf({ kind: 'heart', box }))]));
});

test('taken from the library a shape fills the room it is given, in its own proportions', () => {
  const kept = forLibrary(shapeOf({ kind: 'rectangle', radii: [60, 60, 60, 60], box }));
  const taken = fitted(kept, { cx: 50, cy: 40, width: 30, height: 80 });
  expect(boundsOfOutline(outlineOf(taken))).toEqual([35, 30, 65, 50].map((v) => expect.closeTo(v, 3)));
  expect(taken).toMatchObject({ radii: [2, 2, 2, 2].map((v) => expect.closeTo(v, 2)) });
});
