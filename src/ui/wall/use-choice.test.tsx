/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react';
import type { MouseEvent } from 'react';
import { useChoice } from './use-choice';

const IDS: readonly number[] = [10, 11, 12, 13, 14, 15, 16, 17];

/** Eight photos in rows of three. */
function choice() {
  const { result, rerender } = renderHook((ids: readonly number[]) => useChoice(ids, 3), {
    initialProps: IDS,
  });
  const key = (name: string, more: object = {}) =>
    act(() => result.current.go({ key: name, shiftKey: false, ...more }));
  const click = (place: number, more: object = {}) => act(() => result.current.click(place, more as MouseEvent));
  const show = (ids: readonly number[]) => rerender(ids);
  return {
    result,
    show,
    key,
    click,
    chosen: () => [...result.current.chosen].sort((a, b) => a - b),
    active: () => result.current.active,
  };
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

test('what a filter hides is not chosen while it is hidden, and is again when it is shown', () => {
  const { click, show, chosen } = choice();
  click(1);
  click(3, { shiftKey: true });
  show([10, 12, 14]);
  expect(chosen()).toEqual([12]);
  show(IDS);
  expect(chosen()).toEqual([11, 12, 13]);
});

test('control adds and takes away single photos; all can be chosen, and none', () => {
  const { click, result, chosen } = choice();
  click(1);
  click(4, { ctrlKey: true });
  click(6, { metaKey: true });
  click(4, { ctrlKey: true });
  expect(chosen()).toEqual([11, 16]);
  act(() => result.current.chooseAll());
  expect(chosen()).toEqual(IDS);
  act(() => result.current.chooseNone());
  expect(chosen()).toEqual([]);
});
