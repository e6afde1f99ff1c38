import fc from 'fast-check';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { bringFonts } from '../letters';
import { boundsOfOutline, parsePathData } from '../shape';
import { PAGE_FONT, pagesOf, pageSize, setupSchema } from '.';

beforeAll(() => bringFonts([PAGE_FONT], async (path) => new Uint8Array(await readFile(join('public/fonts', path)))));

const setup = (fields: object = {}) => setupSchema.parse(fields);
const files = (n: number, ratio = 1) => Array.from({ length: n }, (_, i) => ({ ratio, caption: `Photo ${i}` }));

// ISO 216; ANSI letter is 8.5 × 11 inches.
test.each([
  [{}, [210, 297]],
  [{ landscape: 'true' }, [297, 210]],
  [{ paper: 'letter' }, [8.5 * 25.4, 11 * 25.4]],
  [{ paper: 'own', pageWidth: 100, pageHeight: 50 }, [100, 50]],
])('a page of %j', (fields, size) => pageSize(setup(fields)).forEach((mm, i) => expect(mm).toBeCloseTo(size[i]!, 9)));

test('as many as fit stand in rows, the rest on further pages', () => {
  // 186 mm between the margins: three of 50 and gaps of 6 are 162; 273 mm: four of 50 + 5 and gaps are 238.
  const { pages } = pagesOf(setup(), files(14));
  expect(pages.map(({ pictures }) => pictures.length)).toEqual([12, 2]);
  const [first, second] = pages[0]!.pictures;
  expect([first!.width, first!.height, second!.x - first!.x]).toEqual([50, 50, 56]);
  expect(first!.x).toBeCloseTo((210 - 162) / 2, 9);
});

test('a page without room says so', () => {
  expect(() => pagesOf(setup({ width: 200 }), files(1))).toThrow(/no room/);
  expect(() => pagesOf(setup({ width: 180 }), files(1, 2))).toThrow(
    /180 × 365 mm has no room on a page of 210 × 297 mm/,
  );
});

test('captions lie below their pictures and are no wider', () => {
  const { pages } = pagesOf(setup({ width: 20 }), [{ ratio: 1, caption: 'A name that is far too long for twenty millimetres' }]); // prettier-ignore
  const [picture] = pages[0]!.pictures;
  for (const letter of pages[0]!.letters) {
    const [left, top, right] = boundsOfOutline(letter);
    expect(left).toBeGreaterThan(picture!.x - 0.2);
    expect(right).toBeLessThan(picture!.x + 20.2);
    expect(top).toBeGreaterThan(picture!.y + 20);
  }
});

test('cut lines are the outline at the size of the picture', () => {
  const square = parsePathData('M0.1 0.1H0.9V0.9H0.1Z');
  const { pages } = pagesOf(setup({ marks: 'cut' }), files(1), [square]);
  const { x, y } = pages[0]!.pictures[0]!;
  const bounds = boundsOfOutline(pages[0]!.cuts[0]!);
  [x + 5, y + 5, x + 45, y + 45].forEach((mm, i) => expect(bounds[i]!).toBeCloseTo(mm, 6));
});

test('crop marks stand off the corners and never on a picture', () => {
  const { pages } = pagesOf(setup({ marks: 'crop', gap: 12 }), files(4));
  const { crops, pictures } = pages[0]!;
  expect(crops).toHaveLength(32);
  const inside = ([px, py]: readonly [number, number]) => pictures.some(({ x, y, width, height }) => px > x && px < x + width && py > y && py < y + height); // prettier-ignore
  for (const ends of crops) for (const end of ends) expect(inside(end)).toBe(false);
});

test('whatever the sizes, pictures stay within the margins and apart', () => {
  const mm = (min: number, max: number) => fc.float({ min, max, noNaN: true });
  fc.assert(
    fc.property(
      mm(5, 60),
      mm(0, 20),
      mm(0, 20),
      mm(Math.fround(0.2), 2),
      fc.integer({ min: 1, max: 40 }),
      (width, margin, gap, ratio, n) => {
        const { size, pages } = pagesOf(setup({ width, margin, gap, caption: '' }), files(n, ratio));
        expect(pages.reduce((sum, { pictures }) => sum + pictures.length, 0)).toBe(n);
        for (const { pictures } of pages)
          pictures.forEach((a, i) => {
            expect(a.x).toBeGreaterThan(margin - 1e-6);
            expect(a.x + a.width).toBeLessThan(size[0] - margin + 1e-6);
            expect(a.y + a.height).toBeLessThan(size[1] - margin + 1e-6);
            const b = pictures[i + 1];
            if (b && b.y === a.y) expect(b.x - a.x - a.width).toBeCloseTo(gap, 6);
          });
      },
    ),
  );
});
