/** Layers that are off, and a template without its finish, draw what a template without them draws. */
import { parseTemplate, withoutFinish } from '../template';
import { compile } from '.';

const plain = { wobrel: 1, name: 'T', frame: { width: 60, height: 60 } };
const of = (fields: object) => parseTemplate({ ...plain, ...fields });
const border = { width: 6, align: 'outside', paint: '#ff0000' };
const shadow = { y: 3, blur: 4, opacity: 0.5 };
const pixels = (template: ReturnType<typeof of>) => compile(template, 60).blank;

test('a border and a shadow that are off are not drawn, the others are', () => {
  const some = of({ borders: [{ ...border, on: false }, border], shadows: [shadow, { ...shadow, x: 9, on: false }] });
  expect(pixels(some)).toEqual(pixels(of({ borders: [border], shadows: [shadow] })));
  expect(pixels(of({ borders: [{ ...border, on: false }], shadows: [{ ...shadow, on: false }] }))).toEqual(
    pixels(of({})),
  );
});

test('a layer without the field is on', () => {
  expect(pixels(of({ borders: [border] }))).toEqual(pixels(of({ borders: [{ ...border, on: true }] })));
  expect(pixels(of({ borders: [border] }))).not.toEqual(pixels(of({})));
});

test('without its finish a template is its shape alone, and what it is otherwise stays', () => {
  const rich = of({ borders: [border], shadows: [shadow], edge: { rounding: 5, feather: 4 }, backdrop: '#00ff00' });
  expect(pixels(withoutFinish(rich))).toEqual(pixels(of({})));
  expect(withoutFinish(rich)).toMatchObject({ shape: rich.shape, centring: rich.centring, outputs: rich.outputs });
});
