import { parseTemplate } from '@/core/template';
import { fileSize, plural } from '../shared/words';
import { backdropWords, bordersWords, frameWords, shadowsWords, shapeWords } from './words';

const template = (fields: object) => parseTemplate({ wobrel: 1, name: 'T', ...fields });

test('closed sections say their value', () => {
  const plain = template({});
  expect([
    frameWords(plain),
    shapeWords(plain),
    bordersWords(plain),
    shadowsWords(plain),
    backdropWords(plain),
  ]).toEqual(['1080 × 1080 px', 'circle, 960 px', 'none', 'none', 'transparent']);
  const rich = template({
    frame: { width: 110, height: 55.5, unit: 'mm' },
    shape: { kind: 'polygon', sides: 8, box: { cx: 50, cy: 25, width: 40, height: 20 } },
    borders: [{ width: 1.25, align: 'centre' }],
    shadows: [{ opacity: 0.35 }],
    backdrop: '#fff',
  });
  expect([frameWords(rich), shapeWords(rich), bordersWords(rich), shadowsWords(rich), backdropWords(rich)]).toEqual([
    '110 × 55.5 mm',
    'octagon, 40 × 20 mm',
    '1.25 mm centre',
    'drop, 35 %',
    '#fff',
  ]);
  expect(bordersWords(template({ borders: [{}, {}] }))).toBe('2 borders');
  const inches = { width: 2, height: 2, unit: 'in', ppi: 300 };
  expect(bordersWords(template({ frame: inches, borders: [{ width: 0.015 }] }))).toMatch(/^0\.015 in/);
});

test('numbers of things and sizes of files in words', () => {
  expect([plural(1, 'photo'), plural(0, 'photo'), plural(12_345, 'photo')]).toEqual([
    '1 photo',
    '0 photos',
    '12,345 photos',
  ]);
  expect([fileSize(10), fileSize(45_400), fileSize(2_340_000), fileSize(190_000_000)]).toEqual([
    '1 kB',
    '45 kB',
    '2.3 MB',
    '190 MB',
  ]);
});
