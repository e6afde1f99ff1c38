import fc from 'fast-check';
import { parseTemplate } from '../template';
import { stemOf } from '../fields';
import { namer, safeName } from '.';

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
