import { columnsFor, EDGE, GAP, tileSize } from './tile-size';

const ROOM = { width: 980, height: 560 };

test('many photos keep the size that was chosen', () => {
  for (const chosen of [84, 120, 220]) expect(tileSize(chosen, 240, 1, ROOM)).toBe(chosen);
});

test('few photos are drawn larger, all of them still in view', () => {
  for (const count of [1, 2, 3, 5, 8, 12])
    for (const ratio of [0.5, 1, 1.4]) {
      const size = tileSize(84, count, ratio, ROOM);
      expect(size).toBeGreaterThan(84);
      const rows = Math.ceil(count / columnsFor(size, ROOM));
      expect(rows * (size * ratio + GAP) - GAP).toBeLessThanOrEqual(ROOM.height - 2 * EDGE);
    }
  expect(tileSize(120, 1, 1, ROOM)).toBe(400);
});

test('a larger choice is never made smaller', () => {
  expect(tileSize(220, 12, 1.4, { width: 400, height: 300 })).toBe(220);
});
