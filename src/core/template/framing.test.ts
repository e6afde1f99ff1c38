import { SHAPE_KINDS } from '../shape';
import { framingDocument, framingOf, withFraming } from './framing';
import { READY_FRAMINGS } from './framings';
import { STARTING_FINISHES, withFinish } from './finishes';
import { withFrame } from './frame';
import { bendOf, parseTemplate, templateOutline } from './template';

const FRAMINGS = READY_FRAMINGS.map(({ name, fields }) => [name, framingDocument.parse(fields)] as const);
const template = (fields: object = {}) => parseTemplate({ wobrel: 1, name: 'T', ...fields });

test.each(FRAMINGS)('%s goes on every shape, is what that then has, and a template that is read', (_, framing) => {
  for (const kind of SHAPE_KINDS) {
    const framed = withFraming(template({ shape: { kind } }), framing);
    expect(framingOf(framed)).toEqual(framing);
    expect(parseTemplate(JSON.parse(JSON.stringify(framed)))).toEqual(framed);
    expect(templateOutline(framed).length).toBeGreaterThan(0);
  }
});

test('on a frame of another size and unit its lengths are as long in it', () => {
  const framing = framingDocument.parse({ borders: [{ width: 108, relief: { depth: 10.8, softness: 5.4 }, shadow: { distance: 21.6 }, rough: { amount: 5.4, size: 54 }, paint: { kind: 'texture', of: { kind: 'wood' }, size: 27, stops: [[0, '#000'], [1, '#fff']] } }] }); // prettier-ignore
  const [border] = withFraming(template({ frame: { width: 100, height: 150, unit: 'mm' } }), framing).borders;
  expect(border).toMatchObject({
    width: 10,
    relief: { depth: 1, softness: 0.5 },
    shadow: { distance: 2 },
    rough: { amount: 0.5, size: 5 },
    paint: { size: 2.5 },
  });
});

test('all that is no framing stays: shape, centring, colours, captions, feather', () => {
  const before = template({ shape: { kind: 'star' }, edge: { feather: 7, rounding: 3 }, tints: [{}], captions: [{ text: 'a' }], backdrop: '#123456' }); // prettier-ignore
  const after = withFraming(before, FRAMINGS[0]![1]);
  expect({ ...after, borders: [], shadows: [], light: null }).toEqual({ ...before, borders: [], shadows: [], light: null }); // prettier-ignore
});

test('pins go with the shape’s box: moved, enlarged and turned it is bent alike', () => {
  const pins = [{ from: [0, 0], to: [0, 0] }, { from: [1, 0], to: [1.2, 0.1] }, { from: [0.5, 1], to: [0.5, 1] }]; // prettier-ignore
  const at = (box: object) => templateOutline(template({ shape: { kind: 'heart', box: { cx: 500, cy: 500, width: 400, height: 400, ...box } }, edge: { pins } })); // prettier-ignore
  const [one, moved, large] = [at({}), at({ cx: 540, cy: 470 }), at({ width: 800, height: 800 })];
  one[0]!.cubics.forEach((cubic, i) => {
    const [a, b] = [moved[0]!.cubics[i]!, large[0]!.cubics[i]!];
    expect([a[4] - cubic[4], a[5] - cubic[5]].map((v) => Math.round(v * 100) / 100)).toEqual([40, -30]);
    expect(Math.abs(b[4] - 500 - 2 * (cubic[4] - 500))).toBeLessThan(0.01);
  });
});

test('a frame that grows takes rough edges and reliefs with it', () => {
  const before = template({ edge: { rough: { amount: 10, size: 50 }, relief: { width: 40, depth: 8 } }, borders: [{ relief: { depth: 6 } }] }); // prettier-ignore
  const { edge, borders } = withFrame(before, { ...before.frame, width: 2160, height: 2160 });
  expect([edge.rough!.amount, edge.rough!.size, edge.relief!.width, edge.relief!.depth, borders[0]!.relief!.depth]).toEqual([20, 100, 80, 16, 12]); // prettier-ignore
});

test('a starting finish takes the framing’s place and leaves the outline bent as it was', () => {
  const pins = [{ from: [0, 0], to: [0.1, 0] }, { from: [1, 1], to: [1, 1] }]; // prettier-ignore
  const before = template({ edge: { pins, rough: {}, relief: {}, rounding: 5 }, borders: [{ relief: {} }] });
  const { edge, borders } = withFinish(
    before,
    STARTING_FINISHES.find(({ id }) => id === 'thin-ring')!,
  );
  expect([edge.pins, edge.rounding, edge.rough, edge.relief, borders[0]!.relief]).toEqual([pins, 5, null, null, null]);
});

test('how far pins could go is told', () => {
  const pulled = (to: number) => [{ from: [0, 0.5], to: [0, 0.5] }, { from: [0.5, 0.5], to: [0.5, 0.5] }, { from: [1, 0.5], to: [to, 0.5] }, { from: [0.5, 0], to: [0.5, 0] }, { from: [0.5, 1], to: [0.5, 1] }]; // prettier-ignore
  expect(bendOf(template({ edge: { pins: pulled(1.1) } }))).toEqual({ share: 1, crossing: null });
  expect(bendOf(template({ edge: { pins: pulled(-0.4) } })).share).toBeLessThan(1);
});
