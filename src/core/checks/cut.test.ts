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

describe('echoes', () => {
  const echoed = (echo: object, border: object = {}) => of({ borders: [{ width: 10, ...border, echo: { count: 1, scale: 1, angle: 0, ...echo } }] }); // prettier-ignore

  test('moved, each a step further', () => {
    expect(lost(echoed({ x: 15, y: -4 }))).toEqual({ what: 'echoes', beyond: [0, 0, 5, 0] });
    expect(lost(echoed({ count: 3, x: 15, y: -4 }))).toEqual({ what: 'echoes', beyond: [0, 2, 35, 0] });
    expect(lost(echoed({ x: 9 }))).toBeNull();
  });

  test('turned about the shape’s middle: a rectangle of w × h by α is w·cos α + h·sin α across, h·cos α + w·sin α high', () => {
    const [cos, sin] = [Math.cos(Math.PI / 6), Math.sin(Math.PI / 6)];
    const [across, down] = [(380 * cos + 280 * sin - 400) / 2, (280 * cos + 380 * sin - 300) / 2];
    const { what, beyond } = lost(echoed({ angle: 30 }))!;
    expect(what).toBe('echoes');
    for (const [i, wanted] of [across, down, across, down].entries()) expect(beyond[i]).toBeCloseTo(wanted, 3);
  });

  test('larger, with what lies outside the outline', () => {
    // Twice 190 and 140 from the middle, and twice the 10 of the band.
    const { beyond } = lost(echoed({ scale: 2 }, { align: 'outside' }))!;
    expect(beyond).toEqual([200, 150, 200, 150]);
  });

  test('too weak to be seen, they are not missed; with room made all of them fit', () => {
    expect(lost(echoed({ count: 50, scale: 0.9, x: 15, keeps: 0.003 }))).toBeNull();
    const roomy = remade(echoed({ count: 3, x: 15, angle: 20 }));
    expect(lost(roomy)).toBeNull();
  });
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
