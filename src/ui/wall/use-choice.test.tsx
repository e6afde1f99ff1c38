/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react';
import type { KeyboardEvent, MouseEvent } from 'react';
import { useChoice } from './use-choice';

const IDS = [10, 11, 12, 13, 14, 15, 16, 17];

/** Eight photos in rows of three. */
function choice() {
  const { result } = renderHook(() => useChoice(IDS, 3));
  const key = (name: string, more: object = {}) =>
    act(() => void result.current.key({ key: name, preventDefault: () => {}, ...more } as unknown as KeyboardEvent));
  const click = (place: number, more: object = {}) => act(() => result.current.click(place, more as MouseEvent));
  return { key, click, chosen: () => [...result.current.chosen].sort(), active: () => result.current.active };
}

test('arrow keys go along and across the rows and stop at the ends', () => {
  const { key, active, chosen } = choice();
  key('ArrowDown');
  key('ArrowRight');
  expect([active(), chosen()]).toEqual([4, [14]]);
  key('End');
  key('ArrowDown');
  expect(active()).toBe(7);
  key('Home');
  key('ArrowLeft');
  expect([active(), chosen()]).toEqual([0, [10]]);
});

test('shift chooses all from where the way began', () => {
  const { click, key, chosen } = choice();
  click(2);
  key('ArrowDown', { shiftKey: true });
  expect(chosen()).toEqual([12, 13, 14, 15]);
  click(0, { shiftKey: true });
  expect(chosen()).toEqual([10, 11, 12]);
});

test('control adds and takes away single photos; A takes all, Escape none', () => {
  const { click, key, chosen } = choice();
  click(1);
  click(4, { ctrlKey: true });
  click(6, { metaKey: true });
  click(4, { ctrlKey: true });
  expect(chosen()).toEqual([11, 16]);
  key('a', { ctrlKey: true });
  expect(chosen()).toEqual(IDS);
  key('Escape');
  expect(chosen()).toEqual([]);
});
