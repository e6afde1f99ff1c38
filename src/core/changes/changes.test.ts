import { parseTemplate, type Template } from '../template';
import { changesOf, pathWords } from '.';

const template = (fields: object = {}): Template => parseTemplate({ wobrel: 1, name: 'T', ...fields });
const border = { width: 16, paint: '#24594f' };

test.each<[string, object, object, string[]]>([
  ['nothing', { name: 'a' }, { name: 'b' }, []],
  ['a number of a layer', { borders: [border] }, { borders: [{ ...border, width: 20 }] }, ['border: width 16 → 20 px']],
  ['a layer more', {}, { shadows: [{}] }, ['drop shadow added']],
  ['a layer less, another switched off', { borders: [border, { ...border, gap: 4 }] }, { borders: [{ ...border, on: false }] }, ['border: switched off', 'border 2 taken out']], // prettier-ignore
  ['the order of layers', { borders: [border, { width: 3 }] }, { borders: [{ width: 3 }, border] }, ['border 2 moved to place 1']], // prettier-ignore
  ['another shape', {}, { shape: { kind: 'star' } }, ['shape circle → star']],
  ['its numbers and its place', { shape: { kind: 'star', tips: 5, box: { cx: 500, cy: 500, width: 400, height: 400 } } }, { shape: { kind: 'star', tips: 7, box: { cx: 520, cy: 500, width: 400, height: 300 } } }, ['star: tips 5 → 7', 'shape 400 × 400 → 400 × 300 px', 'shape moved']], // prettier-ignore
  ['centring', { centring: { rule: 'subject', size: 0.6 } }, { centring: { rule: 'face', size: 0.5 } }, ['centred by subject → face', 'size of the subject 60 → 50 %']], // prettier-ignore
  ['a feather in mm', { frame: { width: 100, height: 100, unit: 'mm' } }, { frame: { width: 100, height: 100, unit: 'mm' }, edge: { feather: 2.5 } }, ['feather 0 → 2.5 mm']], // prettier-ignore
  ['a paint', { backdrop: '#ffffff' }, { backdrop: { kind: 'linear', stops: [[0, '#fff'], [1, '#000']] } }, ['backdrop #ffffff → linear gradient']], // prettier-ignore
  ['an output', { outputs: [{ width: 540 }] }, { outputs: [{ width: 600, format: 'webp' }, { name: 'mail' }] }, ['output tile: format png → webp, width 540 → 600 px', 'output mail added']], // prettier-ignore
  ['a slot', { slots: [{ name: 'a', shape: { kind: 'circle' } }] }, { slots: [{ name: 'a', shape: { kind: 'heart' }, borders: [border] }, { name: 'b', shape: { kind: 'circle' } }] }, ['slot a: shape circle → heart, border added', 'slot b added']], // prettier-ignore
  ['a relief put on, one changed, one taken off', { borders: [{ ...border, relief: { depth: 4 } }, { width: 3 }, { width: 5, relief: {} }] }, { borders: [{ ...border, relief: { depth: 9, profile: 'hollow' } }, { width: 3, relief: {} }, { width: 5 }] }, ['border 1: relief: profile round → hollow, height 4 → 9 px', 'border 2: relief added', 'border 3: relief taken out']], // prettier-ignore
  ['echoes', { borders: [{ ...border, echo: { count: 3 } }] }, { borders: [{ ...border, echo: { count: 5, angle: 10 } }] }, ['border: echoes: how many 3 → 5, turned by 3 → 10°']], // prettier-ignore
  ['a texture', { borders: [border] }, { borders: [{ ...border, paint: { kind: 'texture', of: { kind: 'wood' }, size: 9, stops: [[0, '#000'], [1, '#fff']] } }] }, ['border: paint #24594f → wood texture']], // prettier-ignore
  ['the edge', {}, { edge: { rough: { kind: 'torn' }, relief: {}, pins: [{ from: [0, 0], to: [0, 0.1] }] } }, ['pins that bend the outline changed', 'rough edge added', 'the edge’s relief added']], // prettier-ignore
  ['the light', {}, { light: { angle: 90, ambient: 0.5 } }, ['light: comes from 315 → 90°, from all sides 25 → 50 %']], // prettier-ignore
  ['layers mixed by modes and in sets', { before: [{ show: 'paint', set: 'a' }], sets: [{ name: 'a' }] }, { before: [{ show: 'paint', set: 'b', blend: 'multiply', tint: {}, locked: true }], sets: [{ name: 'a', opacity: 0.5, on: false }, { name: 'b' }] }, ['paint: tint added, blend normal → multiply, set a → b, locked', 'set a: strength 100 → 50 %, switched off', 'set b added']], // prettier-ignore
  ['a frame', {}, { frame: { width: 800, height: 600 } }, ['frame 1080 × 1080 px → 800 × 600 px', 'shape 960 × 960 → 533.33 × 533.33 px', 'shape moved', 'output tile: width 1080 → 800 px']], // prettier-ignore
])('%s', (_, before, after, words) => {
  expect(changesOf(template(before), template(after))).toEqual(words);
});

test('every field of a template that is changed is told', () => {
  const [before, after] = [template(), template({ edge: { featherSide: 'outside' }, limits: { twins: 5 }, fill: { by: 'name' }, reflection: {}, mat: { top: 9 }, mode: 'window', filters: { sepia: 1 } })]; // prettier-ignore
  const told = changesOf(before, after).join('; ');
  for (const words of [
    'side of the feather inside → outside',
    'limit of near duplicates 4 → 5',
    'slots filled by order → name',
    'reflection added',
    'mat: above 0 → 9 px',
    'photo around the shape',
    'sepia 0 → 100 %',
  ])
    expect(told).toContain(words);
});

test.each([
  ['borders[0].width', 'border 1, width'],
  ['edge.feather', 'feather'],
  ['slots[2].shape.box.cx', 'slot 3, shape, box, cx'],
  ['mat.top', 'mat, top'],
])('%s is said as %s', (path, words) => expect(pathWords(path)).toBe(words));
