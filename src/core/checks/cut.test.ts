import { parseTemplate, templateOutline, type Template } from '../template';
import { cutOff, withRoom } from './cut';

const of = (fields: object): Template =>
  parseTemplate({
    wobrel: 1,
    name: 'T',
    frame: { width: 400, height: 300 },
    shape: { kind: 'rectangle', box: { cx: 200, cy: 150, width: 380, height: 280 } },
    ...fields,
  });
const lost = (template: Template) => cutOff(template, templateOutline(template));
const remade = (template: Template) => withRoom(template, templateOutline(template));

test('a shadow reaches as far as its blur and spread beyond the moved shape (CSS Backgrounds 3 §7.1)', () => {
  // 10 units of room on each side; 4 down, 8 of blur and 3 of spread: 15 below, 7 above, 11 beside.
  const template = of({ shadows: [{ y: 4, blur: 8, spread: 3 }] });
  expect(lost(template)).toEqual({ what: 'shadow', beyond: [1, 0, 1, 5] });
});

test.each([
  ['outside', 12, 2],
  ['centre', 30, 5],
  ['inside', 60, null],
])('a border that lies %s, %d wide', (align, width, beyond) => {
  const found = lost(of({ borders: [{ align, width }] }));
  expect(found).toEqual(beyond === null ? null : { what: 'border', beyond: Array(4).fill(beyond) });
});

test('what is off, or shows nothing, is not missed', () => {
  expect(
    lost(of({ borders: [{ align: 'outside', width: 50, on: false }], shadows: [{ blur: 90, opacity: 0 }] })),
  ).toBeNull();
});

test('with room made everything fits, the cutout is as large as it was, and outputs by the frame follow', () => {
  const template = of({ borders: [{ align: 'outside', width: 12.5 }], shadows: [{ y: 4, blur: 8 }] });
  const roomy = remade(template);
  expect(lost(roomy)).toBeNull();
  const { width, height } = template.shape.box;
  expect(roomy.shape.box).toMatchObject({ width, height });
  expect(roomy.outputs[0]!.width).toBe(roomy.frame.width);
  expect(parseTemplate(roomy)).toEqual(roomy);
});

test('a floor shadow is followed below the lowest place, by half its depth and what it is soft', () => {
  const template = (y: number) =>
    parseTemplate({
      wobrel: 1,
      name: 'T',
      frame: { width: 1000, height: 1000 },
      shape: { kind: 'circle', box: { cx: 500, cy: 500, width: 800, height: 800 } },
      borders: [],
      shadows: [{ kind: 'ground', x: 0, y, blur: 20, depth: 40, reach: 100 }],
    });
  // The lowest place lies at 900: 900 + y + 20 + 40.
  const found = (y: number) => cutOff(template(y), templateOutline(template(y))) !== null;
  expect([found(38), found(60)]).toEqual([false, true]);
});
