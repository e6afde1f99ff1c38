import { z } from 'zod';
import { hexInDisplayP3, parseColour } from '../paint';
import { documentSchema, inDisplayP3, parseTemplate, type Template } from '.';

/** CSS Color 4 §18, sample code: linear sRGB to XYZ, and XYZ to linear Display P3. */
const TO_XYZ = [[506752 / 1228815, 87881 / 245763, 12673 / 70218], [87098 / 409605, 175762 / 245763, 12673 / 175545], [7918 / 409605, 87881 / 737289, 1001167 / 1053270]] as const; // prettier-ignore
const TO_P3 = [[446124 / 178915, -333277 / 357830, -72051 / 178915], [-14852 / 17905, 63121 / 35810, 423 / 17905], [11844 / 330415, -50337 / 660830, 316169 / 330415]] as const; // prettier-ignore

const times = (matrix: readonly (readonly number[])[], v: readonly number[]) =>
  matrix.map((row) => row.reduce((sum, k, i) => sum + k * v[i]!, 0));
const linear = (v: number) => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4);
const encoded = (v: number) => (v <= 0.0031308 ? v * 12.92 : 1.055 * v ** (1 / 2.4) - 0.055);

test('colours are those of the matrices of CSS Color 4, to half a step', () => {
  for (const hex of ['#ff0000', '#00ff00', '#24594f', '#102030', '#fefefe', '#8040c0']) {
    const { r, g, b } = parseColour(hex);
    const wanted = times(TO_P3, times(TO_XYZ, [r, g, b].map(linear))).map(encoded);
    const found = parseColour(hexInDisplayP3(hex));
    [found.r, found.g, found.b].forEach((v, i) => expect(Math.abs(v - wanted[i]!) * 255).toBeLessThanOrEqual(0.51));
  }
});

test('greys, white and alpha stay', () => {
  for (const hex of ['#000000', '#808080', '#ffffff', '#80808080']) expect(hexInDisplayP3(hex)).toBe(hex);
  expect(hexInDisplayP3('#ff000080')).toMatch(/80$/);
});

/** The fields of the document that hold a colour, by the schema itself. */
function colouredKeys(node: unknown, key = '', found = new Set<string>()): Set<string> {
  if (Array.isArray(node)) node.forEach((one) => colouredKeys(one, key, found));
  else if (node && typeof node === 'object')
    for (const [name, one] of Object.entries(node)) {
      if (name === 'pattern' && String(one).startsWith('^#')) found.add(key);
      else if (name === 'properties')
        for (const [field, schema] of Object.entries(one as object)) colouredKeys(schema, field, found);
      else colouredKeys(one, key, found);
    }
  return found;
}

test('every field that holds a colour is said anew, and nobody’s words are', () => {
  const keys = [...colouredKeys(z.toJSONSchema(documentSchema, { io: 'input' }))];
  expect(keys).toEqual(expect.arrayContaining(['paint', 'stops', 'backdrop', 'matte', 'highlight']));
  for (const key of keys) {
    const one = { [key]: key === 'stops' ? [[0, '#ff0000']] : '#ff0000', behind: [], before: [] };
    expect({ key, said: JSON.stringify(inDisplayP3(one as unknown as Template)) }).toEqual({ key, said: expect.not.stringContaining('#ff0000') }); // prettier-ignore
  }
  const captions = [{ text: '#ff0000', paint: '#ff0000' }];
  const template = parseTemplate({ wobrel: 1, name: '#ff0000', captions });
  expect(inDisplayP3(template)).toMatchObject({ name: '#ff0000', captions: [{ text: '#ff0000', paint: '#ea3323' }] });
  // Outlines are remembered by their shape.
  expect(inDisplayP3(template).shape).toBe(template.shape);
});
