import { linePaintSchema } from '@/core/paint';
import { asKind, cssStops, kindOf, movedStop, withStop, type PaintKind, type Stop } from './paint-kinds';

const STOPS: Stop[] = [[0, '#ff0000'], [0.5, '#00ff00'], [1, '#0000ff']]; // prettier-ignore

const SUITS = { depth: 40, side: 1080, isLine: true };

test('every kind becomes every other, and is one that the document takes', () => {
  const kinds: PaintKind[] = ['colour', 'linear', 'radial', 'conic', 'contour', 'along', 'texture'];
  for (const from of kinds)
    for (const to of kinds) {
      const paint = asKind(asKind('#abc', from, SUITS), to, SUITS);
      expect(kindOf(paint)).toBe(to);
      expect(linePaintSchema.parse(paint)).toEqual(paint);
    }
});

test('a colour fades to nothing, and a gradient keeps its stops from kind to kind', () => {
  expect(asKind('#aabbcc80', 'linear', SUITS)).toMatchObject({ stops: [[0, '#aabbcc80'], [1, '#aabbcc00']] }); // prettier-ignore
  expect(asKind({ kind: 'linear', angle: 3, stops: STOPS }, 'contour', SUITS)).toEqual({ kind: 'contour', depth: 40, stops: STOPS }); // prettier-ignore
});

test('a stop is held by its neighbours', () => {
  expect(movedStop(STOPS, 1, 2)[1]![0]).toBe(1);
  expect(movedStop(STOPS, 0, 0.7)[0]![0]).toBe(0.5);
  expect(movedStop(STOPS, 2, -1)[2]![0]).toBe(0.5);
});

test('a stop that is added changes nothing that is seen', () => {
  const { stops, i } = withStop(STOPS, 0.25);
  expect([i, stops[1]]).toEqual([1, [0.25, '#808000ff']]);
  expect(withStop(STOPS, 1).i).toBe(3);
  expect(cssStops(STOPS)).toBe('linear-gradient(90deg, #ff0000 0%, #00ff00 50%, #0000ff 100%)');
});
