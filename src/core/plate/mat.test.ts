/** Room round the frame. */
import { parseTemplate, pictureOf, outputHeight, withMat } from '../template';
import { drawnNoise, squareTemplate } from '../testing/drawn';
import { compile } from '.';

const SIDE = 100;
const rich = {
  shape: { kind: 'circle', box: { cx: 50, cy: 50, width: 80, height: 80 } },
  borders: [{ width: 6, paint: { kind: 'along', stops: [[0, '#ff0000'], [1, '#0000ff']] } }], // prettier-ignore
  tints: [{ paint: { kind: 'radial', stops: [[0, '#ffffff80'], [1, '#00000080']] }, blend: 'overlay' }], // prettier-ignore
  shadows: [{ y: 4, blur: 8 }],
};
const mat = { top: 10, right: 20, bottom: 40, left: 30 };

test('the picture is frame and mat, and the frame in it is as it was alone', () => {
  const template = squareTemplate(SIDE, { ...rich, mat });
  expect(pictureOf(template)).toMatchObject({ left: -30, top: -10, width: 150, height: 150 });
  const alone = drawnNoise(squareTemplate(SIDE, rich), 2 * SIDE);
  const matted = drawnNoise(template, 300);
  expect(matted.plate.height).toBe(300);
  for (let y = 0; y < 200; y += 3)
    for (let x = 0; x < 200; x += 3) expect(matted.at(x + 60, y + 20)).toEqual(alone.at(x, y));
});

test('its paint lies beyond the frame only, the backdrop within it; without one the backdrop goes on', () => {
  const painted = { ...rich, backdrop: '#00ff00', mat: { ...mat, paint: '#ff00ff' } };
  const { at } = drawnNoise(squareTemplate(SIDE, painted), 150);
  expect([at(5, 5), at(149, 149), at(31, 11)]).toEqual([[255, 0, 255, 255], [255, 0, 255, 255], [0, 255, 0, 255]]); // prettier-ignore
  const bare = drawnNoise(squareTemplate(SIDE, { ...painted, mat }), 150);
  expect(bare.at(5, 5)).toEqual([0, 255, 0, 255]);
  const open = drawnNoise(squareTemplate(SIDE, { ...painted, backdrop: null }), 150);
  expect([open.at(5, 5), open.at(31, 11)]).toEqual([
    [255, 0, 255, 255],
    [0, 0, 0, 0],
  ]);
});

test('a pixel that the frame’s edge runs through is shared by area', () => {
  const template = squareTemplate(SIDE, { mat: { left: 0.75, right: 0.25, paint: '#000000' }, backdrop: '#ffffff' });
  const plate = compile(template, 101);
  expect([...plate.blank.slice(0, 4)]).toEqual([Math.round(255 * 0.25), Math.round(255 * 0.25), Math.round(255 * 0.25), 255]); // prettier-ignore
});

test('a gradient of the mat fills the whole picture, one of the backdrop the frame', () => {
  const ramp = (angle: number) => ({ kind: 'linear', angle, stops: [[0, '#000000'], [1, '#ffffff']] }); // prettier-ignore
  const template = squareTemplate(SIDE, { mat: { left: 50, right: 50, paint: ramp(90) }, backdrop: ramp(90) });
  const { at } = drawnNoise(template, 200);
  const value = (x: number) => at(x, 1)[0]!;
  expect(value(20)).toBeCloseTo((255 * 20.5) / 200, -0.5);
  expect(value(180)).toBeCloseTo((255 * 180.5) / 200, -0.5);
  expect(value(60)).toBeCloseTo((255 * 10.5) / 100, -0.5);
});

test('what an output counts is the whole picture, also as the mat changes', () => {
  const template = parseTemplate({ wobrel: 1, name: 'T', mat, outputs: [{ name: 'a' }, { name: 'b', width: 500 }] });
  expect(template.outputs.map(({ width }) => width)).toEqual([1130, 500]);
  expect(outputHeight(pictureOf(template), 565)).toBe(565);
  expect(withMat(template, { ...template.mat, left: 0 }).outputs.map(({ width }) => width)).toEqual([1100, 500]);
});
