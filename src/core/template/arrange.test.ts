import { parseTemplate, slotOf, arrangedSlots, slotsMoved, type Template } from '.';
import { boundsOfOutline, outlineOf } from '../shape';

const templateWith = (width: number, height: number, shape: object = { kind: 'circle' }): Template =>
  parseTemplate({ wobrel: 1, name: 'T', frame: { width, height }, shape });

const laid = (n: number, as: 'row' | 'column' | 'grid' | 'ring', gap: number, template = templateWith(1000, 600)) => {
  const slots = Array.from({ length: n }, (_, i) => slotOf(template, `${i + 1}`));
  return arrangedSlots(slots, { as, gap }, template.frame)?.map(({ shape }) => boundsOfOutline(outlineOf(shape)));
};

test('in a row all are alike, with the same gap between them', () => {
  const square = templateWith(1000, 600, { kind: 'rectangle' });
  expect(laid(3, 'row', 40, square)).toEqual([
    [40, 40, 320, 560],
    [360, 40, 640, 560],
    [680, 40, 960, 560],
  ]);
});

test('circles keep their proportion in their cells', () => {
  expect(laid(2, 'row', 20)!.map(([l, t, r, b]) => [r - l, b - t, (l + r) / 2])).toEqual([[470, 470, 255], [470, 470, 745]]); // prettier-ignore
  expect(laid(2, 'column', 20)!.map(([l, , r]) => r - l)).toEqual([270, 270]);
});

test('a grid’s last row lies in the middle', () => {
  const bounds = laid(5, 'grid', 30)!;
  const middles = bounds.map(([l, , r]) => (l + r) / 2);
  expect(bounds.map(([, t]) => t)).toEqual([...bounds.slice(0, 3).map(() => bounds[0]![1]), bounds[3]![1], bounds[3]![1]]); // prettier-ignore
  expect(middles[3]! + middles[4]!).toBeCloseTo(1000, 6);
});

test('in a ring neighbours are the gap apart, and all lie within the frame', () => {
  const bounds = laid(7, 'ring', 12)!;
  const circles = bounds.map(([l, t, r, b]) => ({ x: (l + r) / 2, y: (t + b) / 2, radius: (r - l) / 2 }));
  circles.forEach((one, i) => {
    const next = circles[(i + 1) % 7]!;
    expect(Math.hypot(one.x - next.x, one.y - next.y) - one.radius - next.radius).toBeCloseTo(12, 2);
  });
  expect(Math.min(...bounds.map(([, t]) => t))).toBeCloseTo(12, 2);
});

test('gaps that leave no room are told', () => {
  expect(laid(4, 'row', 250)).toBeUndefined();
  expect(laid(9, 'ring', 200)).toBeUndefined();
});

test('a slot is moved alone, with those of its set, or with all', () => {
  const sets = ['left', null, 'left', 'right', null];
  const template = parseTemplate({ wobrel: 1, name: 'T', slots: sets.map((set, i) => ({ name: `${i}`, set, shape: { kind: 'circle' } })) }); // prettier-ignore
  const went = (slot: number, company: 'one' | 'set' | 'all') =>
    slotsMoved(template, slot, company, [5, -7.5]).flatMap(({ shape: { box } }, i) => {
      const [dx, dy] = [box.cx - 540, box.cy - 540];
      expect([[0, 0], [5, -7.5]]).toContainEqual([dx, dy]); // prettier-ignore
      return dx === 0 ? [] : [i];
    });
  expect([went(2, 'one'), went(2, 'set'), went(2, 'all')]).toEqual([[2], [0, 2], [0, 1, 2, 3, 4]]);
  // One of no set goes alone.
  expect([went(1, 'set'), went(3, 'set')]).toEqual([[1], [3]]);
});
