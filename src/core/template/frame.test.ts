import { boundsOfOutline } from '../shape';
import { fillFrame, frameIn, withFrame } from './frame';
import { parseTemplate, templateOutline, type Template } from './template';

const template = parseTemplate({
  wobrel: 1,
  name: 'T',
  frame: { width: 600, height: 600, ppi: 300 },
  shape: { kind: 'rectangle', radii: [30, 0, 0, 30], box: { cx: 300, cy: 200, width: 400, height: 200 } },
  borders: [{ width: 12 }],
  shadows: [{ y: 9, blur: 18 }],
});

test('a frame half as large halves every length and keeps the place in the frame', () => {
  const { frame, shape, borders, shadows } = withFrame(template, { ...template.frame, width: 300, height: 300 });
  expect(frame).toMatchObject({ width: 300, height: 300 });
  expect(shape).toMatchObject({ radii: [15, 0, 0, 15], box: { cx: 150, cy: 100, width: 200, height: 100 } });
  expect([borders[0]!.width, shadows[0]!.y, shadows[0]!.blur]).toEqual([6, 4.5, 9]);
});

test('600 px at 300 ppi are 50.8 mm, and back again nothing has changed', () => {
  const mm = withFrame(template, frameIn(template.frame, 'mm'));
  expect(mm.frame).toMatchObject({ width: 50.8, height: 50.8, unit: 'mm' });
  expect(withFrame(mm, frameIn(mm.frame, 'px'))).toEqual(template);
});

const CARD = { width: 100, height: 60, unit: 'mm', ppi: 300 } as const;
const of = (shape: object): Template => parseTemplate({ wobrel: 1, name: 'T', shape });
const share = ({ shape: { box }, frame }: Template) => [box.width / frame.width, box.height / frame.height];

test('a rectangle keeps its share of both sides, a circle its share of the shorter side, whatever the unit', () => {
  const [across, down] = share(of({ kind: 'rectangle' })) as [number, number];
  expect(share(withFrame(of({ kind: 'rectangle' }), CARD))).toEqual([
    expect.closeTo(across, 6),
    expect.closeTo(down, 6),
  ]);
  const { width, height } = withFrame(of({ kind: 'circle' }), CARD).shape.box;
  expect([width, height]).toEqual([width, expect.closeTo(width, 9)]);
  expect(width / CARD.height).toBeCloseTo(960 / 1080, 6);
});

test('in the smallest frame what has a length keeps one, and the template is taken', () => {
  const fields = { captions: [{ size: 0.5 }], borders: [{ paint: { kind: 'contour', depth: 1, stops: [[0, '#000000'], [1, '#ffffff']] } }] }; // prettier-ignore
  const rich = parseTemplate({ wobrel: 1, name: 'T', ...fields });
  for (const unit of ['px', 'in'] as const) {
    const tiny = withFrame(rich, { ...rich.frame, width: 0.1, height: 0.1, unit });
    expect(tiny.captions[0]!.size).toBeGreaterThan(0);
    expect(parseTemplate(tiny).captions).toEqual(tiny.captions);
  }
});

test('one frame after another leaves what the last one alone would', () => {
  const { frame } = of({ kind: 'circle' });
  const by = withFrame(withFrame(of({ kind: 'circle' }), { ...frame, width: 300, height: 300 }), CARD);
  expect(by.shape.box.width).toBeCloseTo(withFrame(of({ kind: 'circle' }), CARD).shape.box.width, 3);
});

test.each(['rectangle', 'circle', 'polygon', 'star', 'heart'])(
  'a %s that fills the frame touches it and stays inside',
  (kind) => {
    const filled = fillFrame(
      withFrame(of({ kind, box: { cx: 300, cy: 400, width: 200, height: 200, angle: 0 } }), CARD),
    );
    const [left, top, right, bottom] = boundsOfOutline(templateOutline(filled));
    expect(Math.max((right - left) / 100, (bottom - top) / 60)).toBeCloseTo(1, 4);
    expect([left + right, top + bottom]).toEqual([expect.closeTo(100, 2), expect.closeTo(60, 2)]);
  },
);

test('outputs by the frame, a factor or a length follow it; one in pixels does not', () => {
  const outputs = [
    { name: 'own' },
    { name: 'half', size: { factor: 0.5 } },
    { name: 'print', size: { width: 50.8, unit: 'mm', ppi: 150 } },
    { name: 'web', width: 540 },
  ];
  const before = parseTemplate({ wobrel: 1, name: 'T', outputs });
  expect(before.outputs.map(({ width }) => width)).toEqual([1080, 540, 300, 540]);
  // 100 mm at 300 ppi: 100 / 25.4 · 300.
  expect(withFrame(before, CARD).outputs.map(({ width }) => width)).toEqual([1181, 591, 300, 540]);
  expect(parseTemplate(withFrame(before, CARD))).toEqual(withFrame(before, CARD));
});

test('a size that is too large is refused with its path', () => {
  const outputs = [{ size: { factor: 20 } }];
  expect(() => parseTemplate({ wobrel: 1, name: 'T', outputs })).toThrow(
    'outputs[0].size: 21600 px wide; the most is 16384 px',
  );
});

test('gradients that follow the edge and dashes grow and shrink with the frame', () => {
  const stops = [[0, '#000'], [1, '#fff']]; // prettier-ignore
  const contour = { kind: 'contour', depth: 100, stops };
  const before = parseTemplate({
    wobrel: 1,
    name: 'T',
    tints: [{ paint: contour }, { paint: { kind: 'radial', stops } }],
    borders: [{ paint: contour, dash: [20, 10] }],
    backdrop: contour,
  });
  const { tints, borders, backdrop } = withFrame(before, { ...before.frame, width: 540, height: 540 });
  expect([tints[0]!.paint, borders[0]!.paint, backdrop]).toEqual(Array(3).fill({ ...contour, depth: 50 }));
  expect(borders[0]!.dash).toEqual([10, 5]);
  expect(tints[1]).toEqual(before.tints[1]);
});
