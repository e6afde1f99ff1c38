import fc from 'fast-check';
import { parseTemplate } from '../template';
import { stemOf } from '../fields';
import { namer, plainNameOf, safeName } from '.';

const outputOf = (fields: object = {}) => parseTemplate({ wobrel: 1, name: 'T', outputs: [fields] }).outputs[0]!;
const parts = { photo: 'blue mug.final.JPG', batch: 'Autumn', template: 'Round', index: 7, height: 900 };

test('a pattern may use photo, output, batch, template, index, width and height', () => {
  const output = outputOf({
    name: 'tile',
    width: 1080,
    file: '{index}_{photo}_{output}_{batch}_{template}_{width}x{height}',
    format: 'webp',
  });
  expect(namer()(output, parts)).toBe('0007_blue mug.final_tile_Autumn_Round_1080x900.webp');
});

test('a second file of the same name gets -2, a third -3, whatever the case', () => {
  const name = namer();
  const output = outputOf({ file: '{photo}' });
  const named = ['a.jpg', 'A.png', 'a.webp', 'a-2.jpg'].map((photo) => name(output, { ...parts, photo }));
  expect(named).toEqual(['a.png', 'A-2.png', 'a-3.png', 'a-2-2.png']);
});

test('no file is called like the manifest', () => {
  expect(namer()({ ...outputOf({ file: 'manifest' }), format: 'png' }, parts)).toBe('manifest.png');
  expect(safeName('manifest.json')).toBe('manifest.json');
});

test('no name leaves its folder, whatever it is made from', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary' }), (text) => {
      const name = safeName(text);
      expect(name).not.toMatch(/[/\\\u0000-\u001f]/);
      expect(name).not.toMatch(/^\.+$|^$/);
      expect(Buffer.byteLength(name)).toBeLessThanOrEqual(201);
    }),
  );
  expect(safeName('../../etc/passwd')).toBe('_.._etc_passwd');
  expect(safeName('CON')).toBe('_CON');
});

test('the stem of a name drops folder and extension, but keeps a leading dot', () => {
  expect(['a/b/c.jpg', 'c.tar.gz', '.hidden', 'C:\\x\\y.png'].map(stemOf)).toEqual(['c', 'c.tar', '.hidden', 'y']);
});

describe('photo data in names', () => {
  const data = { 'Article number': 'BW/204', Title: 'Große Schüssel, blau', Empty: '' };
  const named = (file: string, more: object = {}) => namer()(outputOf({ file }), { ...parts, data, ...more });

  test.each([
    ['{article number}', 'BW_204.png'],
    ['{ARTICLE NUMBER|lower}', 'bw_204.png'],
    ['{title|slug}', 'grosse-schuessel-blau.png'],
    ['{title|slug|upper}_{index|00}', 'GROSSE-SCHUESSEL-BLAU_07.png'],
    ['{index|000000}', '000007.png'],
    ['a{empty}b', 'ab.png'],
    ['{empty}', '_.png'],
    ['{no such field}', '{no such field}.png'],
    ['{photo|no such filter}', '{photo_no such filter}.png'],
    ['{toString}', '{toString}.png'],
  ])('%s makes %s', (file, name) => expect(named(file)).toBe(name));

  test('slashes of the pattern make folders, those of a field do not', () => {
    expect(named('shop/{article number}/{photo|slug}')).toBe('shop/BW_204/blue-mug-final.png');
    expect(named('{empty}/{photo}')).toBe('blue mug.final.png');
    expect(named('../../{photo}')).toBe('_/_/blue mug.final.png');
    expect(named('/a//b/')).toBe('a/b.png');
    expect(named(Array.from({ length: 20 }, () => 'a').join('/')).split('/')).toHaveLength(9);
  });

  test('a folder is not called like a file, nor like itself in other letters', () => {
    const name = namer();
    const all = ['{photo}', '{photo}.png/a', 'Shop/{photo}', 'shop/{photo}', 'shop'].map((file) =>
      name({ ...outputOf({ file }), format: 'png' }, { ...parts, photo: 'x' }),
    );
    expect(all).toEqual(['x.png', 'x.png_/a.png', 'Shop/x.png', 'Shop/x-2.png', 'shop.png']);
    expect(namer(['shop/x.png'])(outputOf({ file: 'SHOP/{photo}' }), { ...parts, photo: 'x' })).toBe('shop/x-2.png');
  });

  test('no pattern and no field leaves the folder', () => {
    const text = fc.string({ unit: 'binary', minLength: 1, maxLength: 60 });
    fc.assert(
      fc.property(text, text, (file, field) => {
        const name = namer()({ ...outputOf(), file }, { ...parts, data: { f: field } });
        for (const part of name.split('/')) expect(part).not.toMatch(/^\.+$|^$|[\\\u0000-\u001f]/);
        expect(name.split('/').length).toBeLessThanOrEqual(9);
      }),
    );
  });

  test('what a pattern says by itself is the name where nobody else has it', () => {
    const output = outputOf({ file: 'a/{title|slug}' });
    const name = namer();
    expect(plainNameOf(output, { ...parts, data })).toBe(name(output, { ...parts, data }));
    expect(name(output, { ...parts, data })).toBe('a/grosse-schuessel-blau-2.png');
  });

  test('ten thousand photos of one name are named as quickly as others', () => {
    const name = namer();
    const output = outputOf({ file: 'x' });
    const all = new Set(Array.from({ length: 10_000 }, () => name(output, parts)));
    expect(all.size).toBe(10_000);
    expect(all.has('x-10000.png')).toBe(true);
  });
});
