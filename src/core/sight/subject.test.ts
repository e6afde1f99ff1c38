import { taken } from '.';
import type { Plain } from './subject';
import type { FoundSubject } from './sight';

const found = (left: number, confidence: number): FoundSubject => ({
  box: [left, 0.2, 0.4, 0.4],
  centroid: [left + 0.2, 0.4],
  area: 0.1,
  confidence,
  mask: '',
  count: 1,
});
const plain = (subject: FoundSubject | null, noise: number): Plain => ({
  ground: { plain: 0.95, noise } as Plain['ground'],
  subject,
  clear: false,
});

test('of two that agree, the one by the ground is taken, as sure as the surer', () => {
  expect(taken(plain(found(0.1, 0.5), 1), found(0.11, 0.7))).toEqual(found(0.1, 0.7));
});

test('of two that differ, the surer is taken on an even ground, and what stands out on an uneven one', () => {
  expect(taken(plain(found(0.1, 0.8), 1), found(0.5, 0.6))).toEqual(found(0.1, 0.8));
  expect(taken(plain(found(0.1, 0.5), 1), found(0.5, 0.6))).toEqual(found(0.5, 0.6));
  expect(taken(plain(found(0.1, 0.8), 3), found(0.5, 0.6))).toEqual(found(0.5, 0.6));
});

test('where nothing stands out, what is unlike the ground is a guess that no rule goes by', () => {
  expect(taken(plain(found(0.1, 0.8), 1), null)).toEqual(found(0.1, 0.1));
  expect(taken(plain(null, 1), null)).toBeNull();
  expect(taken(plain(null, 1), found(0.5, 0.3))).toEqual(found(0.5, 0.3));
});
