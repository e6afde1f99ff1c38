import fc from 'fast-check';
import { handlesOf, pullHandle, stepHandle } from './handles';
import { DEFINITIONS } from '../shape/registry';
import { boundsOfOutline } from '../shape/bounds';
import { completeShape, outlineOf, type CatalogueShape } from '../shape/shape';
import { shapeSchema } from '../shape/schema';

const shapeOf = (document: object) =>
  completeShape(shapeSchema.parse(document), { width: 1000, height: 1000 }) as CatalogueShape;
const box = { cx: 480, cy: 530, width: 700, height: 420, angle: 25, mirror: false };

describe.each(DEFINITIONS.map(({ kind, controls }) => [kind, controls as Record<string, { as: string }>] as const))(
  '%s',
  (kind, controls) => {
    const shape = shapeOf({ kind, box });

    test('has a handle for every number', () => {
      const numbers = Object.keys(controls).filter((key) => controls[key]!.as !== 'choice');
      expect([...new Set(handlesOf(shape).map(({ key }) => key))].sort()).toEqual(numbers.sort());
    });

    test('pulled to where it is, a handle changes nothing; mirrored and turned too', () => {
      for (const mirror of [false, true])
        for (const handle of handlesOf({ ...shape, box: { ...box, mirror } })) {
          const fields = pullHandle({ ...shape, box: { ...box, mirror } }, handle, handle.at) as Record<
            string,
            unknown
          >;
          const [got] = [fields[handle.key]].flat() as number[];
          const [was] = [(shape as unknown as Record<string, unknown>)[handle.key]].flat() as number[];
          expect([handle.key, Math.abs(got! - was!) < 2e-3 * Math.max(1, was!)]).toEqual([handle.key, true]);
        }
    });

    test('goes by steps, and no further than its kind allows', () => {
      for (const handle of handlesOf(shape)) {
        const [was] = [(shape as unknown as Record<string, unknown>)[handle.key]].flat() as number[];
        for (const steps of [1, -1, 10, -1e6, 1e6]) {
          const fields = stepHandle(shape, handle, steps, 0.5) as Record<string, number | number[]>;
          expect(shapeSchema.safeParse({ ...shape, ...fields })).toMatchObject({ success: true });
          const [got] = [fields[handle.key]].flat() as number[];
          if (got !== was) expect(Math.sign(got! - was!)).toBe(Math.sign(steps));
        }
        expect(stepHandle(shape, handle, 1, 0.5)).not.toEqual(stepHandle(shape, handle, -1, 0.5));
      }
    });

    test('comes to lie under the pointer wherever the number can bring it', () => {
      for (const handle of handlesOf(shape)) {
        const pulled = {
          ...shape,
          ...pullHandle(shape, handle, [handle.at[0] + 9, handle.at[1] - 7]),
        } as CatalogueShape;
        const { at } = handlesOf(pulled).find(({ key, place }) => key === handle.key && place === handle.place)!;
        // Of all places of the handle none lies nearer than its own.
        const again = { ...pulled, ...pullHandle(pulled, handle, at) } as CatalogueShape;
        const back = handlesOf(again).find(({ key, place }) => key === handle.key && place === handle.place)!;
        expect(Math.hypot(back.at[0] - at[0], back.at[1] - at[1])).toBeLessThan(1);
      }
    });
  },
);

test('a star’s valley follows the pointer along its ray', () => {
  const star = shapeOf({ kind: 'star', box: { cx: 500, cy: 500, width: 800, height: 800 } });
  fc.assert(
    fc.property(fc.double({ min: 0.06, max: 0.99, noNaN: true }), (valley) => {
      const angle = Math.PI / 5 - Math.PI / 2;
      const to = [500 + 400 * valley * Math.cos(angle), 500 + 400 * valley * Math.sin(angle)] as const;
      const { valley: got } = pullHandle(star, { key: 'valley', place: 0 }, to) as { valley: number };
      expect(got).toBeCloseTo(valley, 3);
    }),
  );
});

test('one corner of a rectangle is rounded by its own handle', () => {
  const panel = shapeOf({ kind: 'rectangle', box: { cx: 500, cy: 500, width: 600, height: 400 } });
  const fields = pullHandle(panel, { key: 'radii', place: 2 }, [800 - 90, 700]);
  expect(fields).toEqual({ radii: [0, 0, expect.closeTo(90, 3), 0] });
  expect(boundsOfOutline(outlineOf({ ...panel, ...fields }))).toEqual([200, 300, 800, 700]);
});

test('lengths go by the step they are given, shares by hundredths, one corner alone', () => {
  const panel = shapeOf({ kind: 'rectangle', box: { cx: 2, cy: 2, width: 3, height: 3 }, radii: [0.5, 0, 0, 0] });
  expect(stepHandle(panel, { key: 'radii', place: 0 }, 1, 0.01)).toEqual({ radii: [0.51, 0, 0, 0] });
  expect(stepHandle(panel, { key: 'radii', place: 1 }, -10, 0.01)).toEqual({ radii: [0.5, 0, 0, 0] });
  const star = shapeOf({ kind: 'star', valley: 0.5, tips: 5 });
  expect(stepHandle(star, { key: 'valley', place: 0 }, 10, 0.01)).toEqual({ valley: 0.6 });
  expect(stepHandle(star, { key: 'tips', place: 0 }, 1, 0.01)).toEqual({ tips: 6 });
});
