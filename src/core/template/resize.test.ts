import { convertUnit, resizeFrame } from './resize';
import { parseTemplate } from './template';

const template = parseTemplate({
  wobrel: 1,
  name: 'T',
  frame: { width: 600, height: 600, ppi: 300 },
  shape: { kind: 'rectangle', radii: [30, 0, 0, 30], box: { cx: 300, cy: 200, width: 400, height: 200 } },
  borders: [{ width: 12 }],
  shadows: [{ y: 9, blur: 18 }],
});

test('a frame half as large halves every length and keeps the place in the frame', () => {
  const { frame, shape, borders, shadows } = resizeFrame(template, 300, 300);
  expect(frame).toMatchObject({ width: 300, height: 300 });
  expect(shape).toMatchObject({ radii: [15, 0, 0, 15], box: { cx: 150, cy: 100, width: 200, height: 100 } });
  expect([borders[0]!.width, shadows[0]!.y, shadows[0]!.blur]).toEqual([6, 4.5, 9]);
});

test('600 px at 300 ppi are 50.8 mm, and back again nothing has changed', () => {
  const mm = convertUnit(template, 'mm');
  expect(mm.frame).toMatchObject({ width: 50.8, height: 50.8, unit: 'mm' });
  expect(convertUnit(mm, 'px')).toEqual(template);
});
