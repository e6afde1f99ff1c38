import { checker, meansOf } from '@/core/checks';
import { parseTemplate } from '@/core/template';
import type { PhotoRow } from '@/server/services';
import type { PhotoFindings } from '../checks/photo-findings';
import { arranged } from '../wall/order';
import { byCheck, csvOf, figuresOf, histogram, spotsOf } from './figures';

const template = parseTemplate({
  wobrel: 1,
  name: 'T',
  centring: { rule: 'subject', size: 0.5, gap: 'leave' },
  outputs: [{ width: 540 }],
});

const photo = (id: number, name: string, left: number, review: PhotoRow['review'] = 'open'): PhotoRow => ({
  id,
  sha256: '',
  unseen: false,
  data: {},
  name,
  width: 2000,
  height: 2000,
  hasAlpha: false,
  review,
  handSubject: null,
  adjustment: null,
  sight: {
    version: 1,
    faces: [],
    subject: {
      box: [left, 0.3, 0.4, 0.4],
      centroid: [left + 0.2, 0.5],
      area: 0.12,
      confidence: 0.9,
      count: 1,
      mask: '',
    },
    again: { subject: [left + 0.02, 0.3, 0.4, 0.4], face: null },
    ground: { colour: '#cccccc', plain: 1 },
    sharpness: 10 + id,
    contrast: 1,
    brightness: 0.5,
    hash: id.toString(16).padStart(16, 'a5'),
  },
});
const photos = [photo(1, 'b.jpg', 0.3), photo(2, '=a,"x".jpg', 0.05), photo(3, 'c.jpg', 0.3, 'out')];

const findings = (): PhotoFindings => {
  const { check, place, mend } = checker(template, meansOf(template, photos));
  return {
    byPhoto: new Map(photos.filter((p) => p.review !== 'out').map((p) => [p.id, check(p)] as const).filter(([, f]) => f.length > 0)), // prettier-ignore
    ofOutputs: [],
    fault: null,
    placed: new Map(photos.map((p) => [p.id, place(p)] as const)),
    mend,
  };
};

test('figures are of the photos that go out: off the spot and size by the second look, enlargement, gap', () => {
  const figures = figuresOf(template, photos, findings());
  expect(figures.map(({ id }) => id)).toEqual([1, 2]);
  // 0.4 of 2000 pixels over half of 960 frame units, in an output half as wide as the frame.
  expect(figures[0]).toMatchObject({ down: 0, gap: 0, used: 'none', placedOff: 0, placedSize: 50 });
  // 0.02 of what takes 0.4 of the photo and half of the shape.
  expect(figures[0]!.across).toBeCloseTo(2.5, 6);
  expect(figures[0]!.apart).toBeCloseTo(2.5, 6);
  expect(figures[0]!.size).toBeCloseTo(50, 6);
  expect(figures[0]!.enlarged).toBeCloseTo((480 / 800) * 0.5, 6);
  expect(figures[1]!.gap).toBeGreaterThan(1);
  expect(byCheck(figures).map(({ label, count }) => [label, count])).toEqual([['Photo does not reach the edge', 1]]);
});

test('the CSV quotes what it has to and disarms what a spreadsheet would run (RFC 4180 §2)', () => {
  const [head, first, second, rest] = csvOf(figuresOf(template, photos, findings())).split('\r\n');
  expect(head!.split(',')).toHaveLength(14);
  expect(first).toMatch(/^b\.jpg,open,subject,2\.5,0,50,0,50,2\.5,0,0\.3,0,none,$/);
  expect(second).toMatch(/^"'=a,""x""\.jpg",open,/);
  expect(rest).toBe('');
});

test('subjects lie where they were seen; those far out lie on the rim, on their own side', () => {
  const [one] = figuresOf(template, photos, findings());
  const at = (across: number | null, down: number | null, id = 1) => ({ ...one!, id, across, down });
  const many = Array.from({ length: 40 }, (_, i) => at(0.1, -0.2, i));
  const { reach, within, beyond } = spotsOf([...many, at(30, -40, 99), at(null, null, 100)], 1.5);
  expect([reach, within.length]).toEqual([4, 40]);
  expect(within[0]).toMatchObject({ across: 0.1, down: -0.2 });
  expect(beyond.map(({ id }) => id)).toEqual([99]);
  expect([beyond[0]!.across, beyond[0]!.down]).toEqual([expect.closeTo(2.4, 9), expect.closeTo(-3.2, 9)]);
  expect(spotsOf([], 1)).toEqual({ reach: 2, within: [], beyond: [] });
  // A wider spread asks for a wider plot.
  expect(spotsOf([at(5, 0), at(-7, 0)], 1).reach).toBe(8);
});

test('a histogram counts every value once; values that are the same are one bar', () => {
  expect(histogram([1, 1.4, 2, 3, 5], 4, '×').map(({ count }) => count)).toEqual([2, 1, 1, 1]);
  const sizes = histogram([62.43, 65.9, 66, 66.01, 70.9], 12, '');
  expect(sizes.map(({ label }) => label).slice(0, 2)).toEqual(['62–63', '63–64']);
  expect(sizes.map(({ count }) => count)).toEqual([1, 0, 0, 1, 2, 0, 0, 0, 1]);
  expect(histogram([0.21, 0.3, 0.6], 4, '×').map(({ label }) => label)).toEqual(['0.2–0.3×', '0.3–0.4×', '0.4–0.5×', '0.5–0.6×']); // prettier-ignore
  expect(histogram([2, 2.0000001, 2], 4, '')).toEqual([{ from: 2, label: '2', count: 3 }]);
  expect(histogram([], 4, '')).toEqual([]);
});

test('the wall shows by state or check, and sorts by a measure, the worst first', () => {
  const f = findings();
  const ids = (show: string, sort: Parameters<typeof arranged>[2]) =>
    arranged(photos, show, sort, f).map(({ id }) => id);
  expect(ids('all', 'name')).toEqual([1, 2, 3]);
  expect(ids('out', 'name')).toEqual([3]);
  expect(ids('look', 'name')).toEqual([2]);
  expect(ids('gap', 'name')).toEqual([2]);
  expect(ids('blurred', 'name')).toEqual([]);
  expect(ids('all', 'gap')[0]).toBe(2);
  expect(ids('all', 'blurred')).toEqual([1, 2, 3]);
});
