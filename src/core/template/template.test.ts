import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { WobrelError } from '../errors';
import { fileSchema } from './file';
import { frameWidthInPixels, outputHeight } from './output-size';
import { keptTemplate, parseTemplate } from './template';
import { pixelsPerUnit } from './units';

const refusalOf = (document: unknown) => {
  try {
    parseTemplate(document);
  } catch (error) {
    expect(error).toBeInstanceOf(WobrelError);
    return error as WobrelError;
  }
  throw new Error('expected a refusal');
};
const plain = (fields: object = {}) => ({ wobrel: 1, name: 'Plain circle', ...fields });

test('a name alone is a whole template: a centred circle of 8/9 of the frame, one transparent PNG', () => {
  const template = parseTemplate(plain());
  expect(template.shape).toEqual({
    kind: 'circle',
    box: { cx: 540, cy: 540, width: 960, height: 960, angle: 0, mirror: false },
  });
  expect(template.centring).toMatchObject({ rule: 'middle', gap: 'enlarge', maxEnlarge: 1 });
  expect(template.outputs).toEqual([
    {
      name: 'tile',
      format: 'png',
      content: 'cutout',
      size: 'frame',
      width: 1080,
      trim: false,
      matte: null,
      maxKB: null,
      colours: null,
      effort: 'balanced',
      lossless: false,
      progressive: false,
      profile: 'srgb',
      enlarge: true,
      quality: 90,
      file: '{photo}-{output}',
    },
  ]);
  expect([template.borders, template.shadows, template.backdrop]).toEqual([[], [], null]);
});

test('the example of the format’s own description is read', () => {
  const template = parseTemplate({
    wobrel: 1,
    name: 'Round tile',
    frame: { width: 1080, height: 1080, unit: 'px', ppi: 96 },
    shape: { kind: 'circle', box: { cx: 540, cy: 540, width: 960, height: 960, angle: 0 } },
    edge: { rounding: 0, feather: 0, featherSide: 'inside' },
    centring: { rule: 'middle', at: [0.5, 0.5], size: null, measure: 'longest', gap: 'enlarge', maxEnlarge: 1.0 },
    mode: 'cutout',
    filters: { brightness: 1, contrast: 1, saturate: 1, grayscale: 0, sepia: 0, hueRotate: 0, recolour: null },
    tints: [{ paint: '#00000000', blend: 'multiply', opacity: 1 }],
    borders: [{ width: 16, align: 'inside', gap: 0, paint: '#2f6f5e', dash: null, join: 'round', opacity: 1 }],
    shadows: [{ kind: 'drop', x: 0, y: 12, blur: 24, spread: 0, color: '#000000', opacity: 0.35 }],
    mat: { top: 0, right: 0, bottom: 0, left: 0 },
    backdrop: null,
    outputs: [
      { name: 'tile', format: 'png', width: 1080, trim: false, matte: null, quality: 90, file: '{photo}-{output}' },
    ],
  });
  expect(template.borders).toHaveLength(1);
});

test('reading what was read changes nothing', () => {
  const once = parseTemplate(plain({ borders: [{}], shadows: [{}], outputs: [{ format: 'jpeg', width: 300 }] }));
  expect(parseTemplate(JSON.parse(JSON.stringify(once)))).toEqual(once);
});

const BOX = { cx: 540, cy: 540, width: 900, height: 900 };
const STOPS = [[0, '#fff'], [1, '#000']]; // prettier-ignore
test.each([
  [{ backdrop: { kind: 'along', stops: STOPS } }, 'backdrop.kind', /must be linear, /],
  [{ tints: [{ paint: { kind: 'along', stops: STOPS } }] }, 'tints[0].paint.kind', /must be linear, /],
  [{ borders: [{}, { paint: { kind: 'linear', stops: [[0, 'red'], [1, '#000']] } }] }, 'borders[1].paint.stops[0][1]', /CSS hex/], // prettier-ignore
  [{ mat: { paint: { kind: 'picked', from: 'sky' } } }, 'mat.paint.from', /must be subject, ground or photo/],
  [{ reflection: { length: 0 } }, 'reflection.length', /must be more than 0/],
  [{ captions: [{ at: [1] }] }, 'captions[0].at', /./],
  [{ borders: [{ pins: [{ from: [0, 0], to: [0, 'up'] }] }] }, 'borders[0].pins[0].to[1]', /number/],
  [{ slots: ['a', 'b'].map((name) => ({ name, shape: { kind: 'circle' }, borders: Array.from({ length: 13 }, () => ({ pins: [{ from: [0, 0], to: [0, 0] }] })) })) }, 'borders', /26 outlines are bent by pins.*the most is 24/], // prettier-ignore
  [{ before: [{ blend: 'burn' }] }, 'before[0].blend', /must be .*multiply, .*or luminosity/],
  [{ behind: [{ tint: { paint: 'red' } }] }, 'behind[0].tint.paint', /CSS hex/],
  [
    { behind: [{}, { shape: { kind: 'path', d: '{name}', box: BOX } }] },
    'behind[1].shape.d',
    /^behind\[1\].shape.d: the path can’t be read/,
  ],
  [{ before: [{ on: false, shape: { kind: 'path', d: 'M0 0 L1 1', box: BOX } }] }, 'before[0].shape.d', /no area/],
  [{ behind: [{ set: '' }] }, 'behind[0].set', /./],
  [{ sets: [{ name: 'a' }, { name: 'b' }, { name: 'a' }] }, 'sets[2].name', /sets\[0\] is called a, too/],
  [{ outputs: [{ format: 'ora' }], before: [{ blend: 'exclusion' }] }, 'before[0].blend', /no exclusion/],
  [{ outputs: [{ format: 'ora' }], before: [{ set: 'a' }, { show: 'hole' }], sets: [{ name: 'a', blend: 'hue' }] }, 'before[1].through', /no hole goes through/], // prettier-ignore
  [{ outputs: [{ width: 10_000 }], before: Array.from({ length: 5 }, () => ({ blend: 'hue' })) }, 'outputs[0].width', /5 sets, tints and blend modes of layers an output may have 24 megapixels/], // prettier-ignore
  [{ captions: [{ fonts: 'text' }] }, 'captions[0].fonts', /unknown field/],
])('a paint or layer with a fault is refused by its own path: %j', (fields, at, message) => {
  const error = refusalOf(plain(fields));
  expect(error.at).toBe(at);
  expect(error.message).toMatch(message);
});

test('fields of places that would fill the memory are refused with what would do', () => {
  const shadows = Array.from({ length: 16 }, () => ({ kind: 'inner' }));
  const outputs = [{ width: 4000 }, { name: 'large', width: 6000 }];
  expect(refusalOf(plain({ shadows, outputs })).message).toBe(
    'outputs[1].width: with 16 inner shadows, reliefs, textures, patterns and paints that follow the edge, all outputs may have 25 megapixels together',
  );
  expect(parseTemplate(plain({ shadows, outputs: [{ width: 4000 }] })).shadows).toHaveLength(16);
  const pattern = { kind: 'pattern', size: 9 };
  const before = Array.from({ length: 6 }, () => ({ show: 'paint', paint: pattern }));
  expect(
    refusalOf(plain({ backdrop: pattern, mat: { paint: pattern }, before, outputs: [{ width: 9000 }] })).message,
  ).toBe(
    'outputs[0].width: with 8 inner shadows, reliefs, textures, patterns and paints that follow the edge, all outputs may have 50 megapixels together',
  );
});

test('reliefs and echoes are counted for what they take', () => {
  const large = [{ width: 10_000 }];
  const lit = Array.from({ length: 5 }, () => ({ relief: {} }));
  expect(refusalOf(plain({ borders: lit, outputs: large })).message).toMatch(/with 5 inner shadows, .* all outputs may have 80 megapixels together/); // prettier-ignore
  expect(refusalOf(plain({ borders: [{ echo: { count: 50 } }], outputs: large })).message).toMatch(/with 50 echoes all outputs may have 40 megapixels/); // prettier-ignore
  expect(parseTemplate(plain({ borders: [{ echo: { count: 50 }, on: false }], outputs: large })).borders).toHaveLength(
    1,
  );
  expect(parseTemplate(plain({ borders: [{ echo: { count: 50 } }] })).borders).toHaveLength(1);
});

test.each([
  [{ edge: { pins: [{ from: [0, 0], to: [0, 11] }] } }, 'edge.pins[0].to[1]'],
  [{ edge: { pins: Array.from({ length: 17 }, () => ({ from: [0, 0], to: [0, 0] })) } }, 'edge.pins'],
  [{ borders: [{ relief: { depth: 'deep' } }] }, 'borders[0].relief.depth'],
  [{ borders: [{ relief: { bevel: 3 } }] }, 'borders[0].relief.bevel'],
  [{ borders: [{ relief: { curve: [[0, 0], [0.5, 1]] } }] }, 'borders[0].relief.curve'], // prettier-ignore
  [{ borders: [{ paint: { kind: 'texture', of: { kind: 'silk' }, size: 9, stops: [[0, '#000'], [1, '#fff']] } }] }, 'borders[0].paint.of.kind'], // prettier-ignore
  [{ backdrop: { kind: 'texture', of: { kind: 'wood' }, size: 9, lies: 'along', stops: [[0, '#000'], [1, '#fff']] } }, 'backdrop.lies'], // prettier-ignore
  [{ borders: [{ echo: { count: 1.5 } }] }, 'borders[0].echo.count'],
  [{ light: { height: 0 } }, 'light.height'],
  [{ outputs: [{ content: 'nothing' }] }, 'outputs[0].content'],
])('what a framing can’t be is refused by its path: %j', (fields, at) => {
  expect(refusalOf(plain(fields)).at).toBe(at);
});

test('a layer that is off or not seen is kept as it is written', () => {
  const picked = { kind: 'picked', from: 'photo', tone: 'dark' };
  const read = parseTemplate(
    plain({ tints: [{ paint: picked, on: false }], borders: [{ paint: picked, opacity: 0 }] }),
  );
  expect([read.tints[0]!.paint, read.borders[0]!.paint]).toEqual([picked, picked]);
});

test.each([
  [plain({ colour: 'red' }), 'unknown field: colour'],
  [plain({ frame: { witdh: 3 } }), 'unknown field: frame.witdh'],
  [plain({ borders: [{ size: 3 }] }), 'unknown field: borders[0].size'],
  [plain({ shape: { kind: 'circle', radius: 3 } }), 'unknown field: shape.radius'],
])('unknown fields are refused with their path: %j', (document, message) => {
  expect(refusalOf(document).message).toBe(message);
});

test.each([
  [null, null],
  [{ name: 'no format' }, 'wobrel'],
  [{ wobrel: 2, name: 'later' }, 'wobrel'],
  [{ wobrel: 1 }, 'name'],
  [plain({ borders: [{ width: -1 }] }), 'borders[0].width'],
  [plain({ borders: [{ paint: 'red' }] }), 'borders[0].paint'],
  [plain({ shape: { kind: 'lump' } }), 'shape.kind'],
  [plain({ shape: { kind: 'polygon', sides: 61 } }), 'shape.sides'],
  [plain({ frame: { width: 0 } }), 'frame.width'],
  [plain({ frame: { width: Number.NaN } }), 'frame.width'],
  [plain({ outputs: [] }), 'outputs'],
  [plain({ outputs: [{ width: 16000, name: '../x' }] }), 'outputs[0].name'],
  [plain({ outputs: [{ width: 16000 }] }), 'outputs[0].width'],
])('a wrong value is refused at its path: %j', (document, path) => {
  expect(refusalOf(document).at).toBe(path);
});

test('a JPEG output lies on white unless another matte is said', () => {
  const [white, grey] = parseTemplate(
    plain({ outputs: [{ format: 'jpeg' }, { format: 'jpeg', matte: '#ccc' }] }),
  ).outputs;
  expect([white!.matte, grey!.matte]).toEqual(['#ffffff', '#ccc']);
});

test('units: 96 px = 1 in = 72 pt = 2.54 cm = 25.4 mm (CSS Values and Units 4 §6.2)', () => {
  expect(25.4 * pixelsPerUnit('mm', 96)).toBeCloseTo(96, 12);
  expect(2.54 * pixelsPerUnit('cm', 96)).toBeCloseTo(96, 12);
  expect(72 * pixelsPerUnit('pt', 96)).toBeCloseTo(96, 12);
  expect(1 * pixelsPerUnit('in', 96)).toBe(96);
  expect(pixelsPerUnit('px', 300)).toBe(1);
});

test('an output in pixels of a frame in millimetres: 110 mm at 300 ppi are 1299 px', () => {
  const { frame, outputs } = parseTemplate(plain({ frame: { width: 110, height: 55, unit: 'mm', ppi: 300 } }));
  expect(frameWidthInPixels(frame)).toBe(1299);
  expect(outputs[0]!.width).toBe(1299);
  expect(outputHeight(frame, 1299)).toBe(650);
});

test('the published JSON Schema is the one the code generates', () => {
  const published = JSON.parse(readFileSync('docs/template.schema.json', 'utf8'));
  expect(published).toEqual(JSON.parse(JSON.stringify(z.toJSONSchema(fileSchema, { io: 'input' }))));
});

test('outputs of more than 200 megapixels together are refused, but what was kept before can still be opened', () => {
  const outputs = [9000, 9000, 9000].map((width, i) => ({ name: `o${i}`, width }));
  const document = { wobrel: 1, name: 'T', outputs };
  expect(() => parseTemplate(document)).toThrow('outputs[2].width: with this one the outputs have more than 200 megapixels together'); // prettier-ignore
  expect(() => parseTemplate({ ...document, outputs: outputs.slice(1) })).not.toThrow();
  expect(keptTemplate(document).outputs).toHaveLength(3);
});

test('a kept document is read as it is; one whose size only its outline tells is not finished', () => {
  const d = 'M0 0H100V100Z';
  expect(() => keptTemplate({ wobrel: 1, name: 'T', shape: { kind: 'path', d } })).toThrow(
    'its size is not worked out yet',
  );
  const read = parseTemplate({ wobrel: 1, name: 'T', shape: { kind: 'path', d } });
  expect(keptTemplate(JSON.parse(JSON.stringify(read)))).toEqual(read);
});

test('photos behind take memory: so many of them, so large an output', () => {
  const behind = (count: number, width: number) => plain({ behind: Array.from({ length: count }, () => ({})), outputs: [{ width }] }); // prettier-ignore
  expect(() => parseTemplate(behind(16, 3000))).not.toThrow();
  const error = refusalOf(behind(4, 9000));
  expect([error.at, error.message]).toEqual(['outputs[0].width', 'outputs[0].width: with 4 photos behind or on top an output may have 50 megapixels']); // prettier-ignore
});

test.each([
  ['webp', 16_383],
  ['avif', 16_384],
  ['jpeg', 65_500],
  ['gif', 65_535],
])('a %s of more than %d px a side is refused, with the room that is kept round it', (format, most) => {
  const tall = (height: number, more: object = {}) => plain({ frame: { width: 10, height }, outputs: [{ format, width: 10, ...more }] }); // prettier-ignore
  expect(() => parseTemplate(tall(most))).not.toThrow();
  expect(refusalOf(tall(most + 1)).message).toBe(`outputs[0].width: a side of ${most + 1} px; as ${format} the most is ${most} px`); // prettier-ignore
  expect(() => parseTemplate(tall(most - 8, { trim: { room: 4 } }))).not.toThrow();
  expect(refusalOf(tall(most - 7, { trim: { room: 4 } })).at).toBe('outputs[0].width');
  expect(() => parseTemplate(tall(most + 1, { format: 'png' }))).not.toThrow();
});
