/** @jest-environment jsdom */
import { renderHook } from '@testing-library/react';
import type { PhotoChange } from '@/server/services';
import type { PhotoSaves } from './photo-saves';
import { useLeaving } from './use-leaving';

const asked: { readonly body: string; readonly keepalive: boolean }[] = [];
beforeEach(() => {
  asked.length = 0;
  globalThis.fetch = ((_path: string, request: (typeof asked)[number]) => {
    asked.push(request);
    return Promise.resolve();
  }) as unknown as typeof fetch;
});

/** Whether the page asks before it goes, and what it takes along. */
function leaving(letters: number, unsent: readonly PhotoChange[]) {
  const saves = { pendingLetters: () => letters, unsent: () => unsent } as unknown as PhotoSaves;
  const { unmount } = renderHook(() => useLeaving(4, saves));
  const ask = new Event('beforeunload', { cancelable: true });
  window.dispatchEvent(ask);
  window.dispatchEvent(new Event('pagehide'));
  unmount();
  return ask.defaultPrevented;
}

test('what is left goes along with the page, and nothing where nothing is left', () => {
  expect(leaving(0, [])).toBe(false);
  expect(asked).toEqual([]);
  expect(leaving(30, [{ id: 1, review: 'good' }])).toBe(false);
  expect(asked).toHaveLength(1);
  expect(asked[0]).toMatchObject({ keepalive: true, body: '{"changes":[{"id":1,"review":"good"}]}' });
});

test('a page asks before it goes where it can’t take all along', () => {
  expect(leaving(60_001, [])).toBe(true);
});
