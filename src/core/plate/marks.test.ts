/** Marks that captions stand on. */
import { readFileSync } from 'node:fs';
import { mark as markLayer, type Mark } from '../layers';
import { fieldsOf } from '../fields';
import { bringFonts } from '../letters';
import { coverage } from '../raster';
import { flatten, measureOutline } from '../shape';
import { noiseOn, squareTemplate } from '../testing/drawn';
import { markAround, type MarkBounds } from './marks';
import { compile, compose, layoutCaption, writeCaptions } from '.';

const SIDE = 400;
const FORMS = markLayer.schema.shape.form.unwrap().options;
const markOf = (fields: object): Mark => markLayer.schema.parse(fields);

beforeAll(() =>
  bringFonts(['atkinson-hyperlegible-next'], async (path) =>
    Promise.resolve(new Uint8Array(readFileSync(`public/fonts/${path}`))),
  ),
);

describe.each(FORMS)('a %s', (form) => {
  const words: MarkBounds[] = [[100, 190, 130, 214], [40, 190, 360, 214], [195, 100, 205, 300]]; // prettier-ignore

  test.each(words.map((bounds) => [bounds] as const))('holds words at %j, and lies within its bounds', (bounds) => {
    const { outline, bounds: whole } = markAround(markOf({ form, room: 6 }), bounds);
    const window = { left: -400, top: -400, width: 1200, height: 1200 };
    const covers = coverage(flatten(outline, 1), window);
    const [left, top, right, bottom] = bounds;
    let [bare, beyond] = [0, 0];
    for (let y = -400, i = 0; y < 800; y++)
      for (let x = -400; x < 800; x++, i++) {
        const isWord = x >= left && x < right && y >= top && y < bottom;
        if (isWord && covers[i] !== 1) bare++;
        const isWithin = x + 1 > whole[0] && x < whole[2] && y + 1 > whole[1] && y < whole[3];
        if (!isWithin && covers[i]! > 0.01) beyond++;
      }
    expect({ bare, beyond }).toEqual({ bare: 0, beyond: 0 });
  });
});

test.each([1e-3, 20, 1e6])('words of %d are held the same way, however far out they lie', (high) => {
  for (const form of FORMS) {
    const [near, far] = [[0, 0], [-2e6, 1e7]].map(([x, y]) => markAround(markOf({ form, room: 0 }), [x!, y!, x! + 4 * high, y! + high])); // prettier-ignore
    expect(measureOutline(far!.outline).area / measureOutline(near!.outline).area).toBeCloseTo(1, 2);
    near!.bounds.forEach((v, i) => expect(far!.bounds[i]! - v).toBeCloseTo(i % 2 ? 1e7 : -2e6, 3));
  }
});

test('the area of a pill is that of a rectangle and a circle, and grows with room', () => {
  const areaOf = (room: number) => measureOutline(markAround(markOf({ form: 'pill', room }), [0, 0, 200, 20]).outline).area; // prettier-ignore
  for (const room of [0, 8]) {
    const [h, w] = [20 + 2 * room, 200 + 2 * room + (20 + 2 * room) * 0.3];
    expect(areaOf(room)).toBeCloseTo((w - h) * h + Math.PI * (h / 2) ** 2, 0);
  }
});

describe('drawn', () => {
  const tiny = { shape: { kind: 'circle', box: { cx: 20, cy: 20, width: 20, height: 20 } } };
  const caption = { text: '{photo}', size: 40, at: [200, 200], paint: '#000000', mark: { form: 'panel', room: 10, paint: '#ff0000' } }; // prettier-ignore
  function written(photo: string, more: object = {}) {
    const template = squareTemplate(SIDE, { ...tiny, captions: [{ ...caption, ...more }] });
    const plate = compile(template, SIDE);
    const out = compose(plate, noiseOn(plate, 1));
    const fields = fieldsOf({ photo, batch: '', index: 1, template: 'T', output: 'o', width: SIDE, height: SIDE });
    const inked = writeCaptions(plate, { fields, colours: [[0, 0, 1]] }, out);
    return { inked, layout: layoutCaption(template.captions[0]!, fields)!, at: (x: number, y: number) => [...out.subarray((y * SIDE + x) * 4, (y * SIDE + x) * 4 + 4)] }; // prettier-ignore
  }

  test('it lies below its letters, as wide as each photo’s words want it', () => {
    const [short, long] = [written('jug.jpg'), written('stoneware jug.jpg')];
    for (const { layout, at, inked } of [short, long]) {
      const [left, top, right, bottom] = layout.bounds;
      expect(right - left).toBeCloseTo(layout.width + 20, 3);
      expect([top, bottom]).toEqual([200 - 0.7 * 40 - 10, 210]);
      for (const x of [left + 2, right - 3]) expect(at(Math.round(x), 190)).toEqual([255, 0, 0, 255]);
      expect(at(Math.round(left) - 3, 190)[3]).toBe(0);
      expect(inked.left).toBeLessThanOrEqual(20);
      expect(inked.left + inked.width).toBeGreaterThanOrEqual(Math.ceil(right));
    }
    expect(long.layout.width).toBeGreaterThan(short.layout.width * 1.5);
    // Letters are on it.
    const row = Array.from({ length: Math.round(short.layout.width) }, (_, i) => short.at(Math.round(short.layout.bounds[0]) + 10 + i, 190)); // prettier-ignore
    expect(row.some(([r]) => r! < 40)).toBe(true);
  });

  test('without words there is none, and on a circle neither; its colour may be the photo’s', () => {
    expect(written('jug.jpg', { text: '' }).at(200, 190)[3]).toBe(0);
    expect(written('jug.jpg', { follows: 'over', radius: 100 }).layout.mark).toBeNull();
    const picked = written('jug.jpg', { mark: { ...caption.mark, paint: { kind: 'picked' } } });
    expect(picked.at(Math.round(picked.layout.bounds[0]) + 2, 190)).toEqual([0, 0, 255, 255]);
  });
});
