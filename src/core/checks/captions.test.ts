/** What is said of captions. */
import { readFileSync } from 'node:fs';
import { bringFonts } from '../letters';
import { parseTemplate } from '../template';
import type { CheckedPhoto } from './check';
import { checker } from './checker';

beforeAll(() =>
  bringFonts(['atkinson-hyperlegible-next'], (path) =>
    Promise.resolve(new Uint8Array(readFileSync(`public/fonts/${path}`))),
  ),
);

const photo = (name: string): CheckedPhoto => ({
  width: 2000,
  height: 2000,
  hasAlpha: false,
  words: { photo: name, batch: 'B', index: 1 },
});

/** Findings of one caption on the picture of a square frame of 1000, by their checks. */
function found(caption: object, name = 'jug.jpg', more: object = {}) {
  const template = parseTemplate({
    wobrel: 1,
    name: 'T',
    frame: { width: 1000, height: 1000 },
    captions: [{ size: 40, at: [500, 960], ...caption }],
    ...more,
  });
  return new Map(
    checker(template)
      .check(photo(name))
      .map((finding) => [finding.check, finding]),
  );
}

test('a caption that can be read and has room has no finding', () => {
  expect([...found({ text: '{photo}' }).keys()]).toEqual([]);
});

test('small letters lower than 9 px on an output are told with their height, and only there', () => {
  const outputs = [{ name: 'large' }, { name: 'small', width: 400 }];
  const finding = found({ text: 'x' }, 'jug.jpg', { outputs }).get('caption-small')!;
  // Atkinson Hyperlegible Next: a small x is 0.496 em high; 40 units are 16 px at 400.
  expect(finding.value).toBeCloseTo(9 - 0.496 * 16, 6);
  expect(finding.message).toBe('small letters of the caption “x” are 7.9 px high in output small; below 9 px they are hard to read'); // prettier-ignore
});

test('a caption that is made smaller says by how much', () => {
  const finding = found({ text: '{photo}', maxWidth: 200 }, 'a-much-longer-name.jpg').get('caption-cut')!;
  expect(finding.limit).toBe(0);
  expect(finding.message).toMatch(
    /^the caption “\{photo\}” is \d+ px wide and may have 200: it is made \d+(\.\d)? % smaller$/,
  );
  expect(found({ text: '{photo}', maxWidth: 900 }, 'a.jpg').has('caption-cut')).toBe(false);
});

test('one that reaches beyond the picture is told, and a mat has room for it', () => {
  expect(found({ text: 'below', at: [500, 1030] }).get('caption-out')!.value).toBeCloseTo(30, 6);
  expect(found({ text: 'beside', at: [990, 500], anchor: 'start' }).has('caption-out')).toBe(true);
  expect(found({ text: 'below', at: [500, 1030] }, 'a.jpg', { mat: { bottom: 60 } }).has('caption-out')).toBe(false);
});

test('letters that the font lacks are named', () => {
  expect(found({ text: '{photo}' }, '漢字.jpg').get('caption-letters')!.message).toMatch(/has no 漢 字$/);
});

test('off it says nothing, and without a photo’s words nothing is measured', () => {
  expect([...found({ text: 'x', size: 1, on: false }).keys()]).toEqual([]);
  const template = parseTemplate({ wobrel: 1, name: 'T', captions: [{ size: 1 }] });
  expect(checker(template).check({ ...photo('a'), words: undefined })).toEqual([]);
});
