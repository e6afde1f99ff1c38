/** @jest-environment jsdom */
import { act, renderHook, waitFor } from '@testing-library/react';
import type { HandSubject } from '@/core/placement';
import type { PhotoChange, PhotoRow } from '@/server/services';
import { createHistory } from '../history/history';
import type { PhotoEdits } from '../photos/use-edits';
import { ApiError } from '../shared/api';
import { useAlike } from './use-alike';

const api = jest.fn();
jest.mock('../shared/api', () => ({ ...jest.requireActual<object>('../shared/api'), api: (...asked: unknown[]) => api(...asked) })); // prettier-ignore

const subject = { box: [0.1, 0.2, 0.3, 0.4], centroid: [0.25, 0.4], area: 0.1, confidence: 0.6, mask: 'f'.repeat(144), count: 1 }; // prettier-ignore
const kept = { box: subject.box, centroid: subject.centroid, area: 0.1, mask: subject.mask, alike: 0.6 };

/** A batch's photos by number, whose subjects change. */
function bench(...ids: number[]) {
  const subjects = new Map<number, HandSubject | null>(ids.map((id) => [id, null]));
  const change = (changes: readonly PhotoChange[]) =>
    changes.map(({ id, handSubject }) => {
      const back = { id, handSubject: subjects.get(id)! };
      subjects.set(id, handSubject!);
      return back;
    });
  const now = (id: number) => (subjects.has(id) ? ({ id, handSubject: subjects.get(id)! } as PhotoRow) : undefined);
  const history = createHistory();
  history.takePart('photos', change);
  const edits = { change, now } as unknown as PhotoEdits;
  const { result } = renderHook(() => useAlike(7, edits, history, true));
  return { subjects, history, result };
}

beforeEach(() => api.mockReset());

test('what is found counts at once, and all of it is one step to undo', async () => {
  api.mockImplementation((_path, _method, { photo }: { photo: number }) =>
    Promise.resolve({ subject: photo === 3 ? null : subject }),
  );
  const { subjects, history, result } = bench(1, 2, 3);
  await act(() => result.current.find([1, 2, 3]));
  expect(api.mock.calls[0]).toEqual(['/api/batches/7/alike', 'POST', { photo: 1 }]);
  expect([...subjects.values()]).toEqual([kept, kept, null]);
  expect(history.steps.getState().past.map(({ words }) => words)).toEqual(['found like others: 2 subjects of 3']);
  expect(result.current).toMatchObject({ run: null, failure: null, outcome: 'found like others: 2 subjects of 3' });
  history.undo();
  expect([...subjects.values()]).toEqual([null, null, null]);
});

test('a subject that somebody points at meanwhile stays theirs', async () => {
  const theirs: HandSubject = { point: [0.5, 0.5] };
  const { subjects, history, result } = bench(1);
  api.mockImplementation(() => {
    subjects.set(1, theirs);
    return Promise.resolve({ subject });
  });
  await act(() => result.current.find([1]));
  expect(subjects.get(1)).toBe(theirs);
  expect(history.steps.getState().past).toEqual([]);
});

test('stopped, it keeps what it has and asks for nothing more', async () => {
  const answers: ((answer: object) => void)[] = [];
  api.mockImplementation(() => new Promise((resolve) => answers.push(resolve)));
  const { subjects, result } = bench(1, 2, 3, 4);
  let over: Promise<void> = Promise.resolve();
  act(() => void (over = result.current.find([1, 2, 3, 4])));
  await waitFor(() => expect(answers).toHaveLength(2));
  expect(result.current.run).toEqual({ done: 0, of: 4 });
  await act(async () => {
    result.current.stop();
    for (const answer of answers) answer({ subject });
    await over;
  });
  expect(answers).toHaveLength(2);
  expect([...subjects.values()]).toEqual([kept, kept, null, null]);
});

test('a photo that can’t be looked at, or that is gone, is passed over', async () => {
  api.mockImplementation((_path, _method, { photo }: { photo: number }) =>
    photo < 3
      ? Promise.reject(new ApiError(photo === 1 ? 'photo-unseen' : 'not-found', 'No.'))
      : Promise.resolve({ subject }),
  );
  const { subjects, result } = bench(1, 2, 3);
  await act(() => result.current.find([1, 2, 3]));
  expect([...subjects.values()]).toEqual([null, null, kept]);
  expect(result.current.failure).toBeNull();
});

test('any other refusal ends it and is told', async () => {
  api.mockRejectedValue(new Error('Nothing to go by.'));
  const { result } = bench(1, 2, 3, 4);
  await act(() => result.current.find([1, 2, 3, 4]));
  expect(result.current).toMatchObject({ failure: 'Nothing to go by.', outcome: 'found nothing like others' });
  expect(api.mock.calls.length).toBeLessThanOrEqual(2);
});

test('what a reload broke off goes on with those that are left, and is one step all the same', async () => {
  // A browser ends requests before it says that the page is going.
  api.mockImplementation((path: string, _method, asked?: { photo: number }) =>
    path === '/api/line' || asked!.photo > 2
      ? Promise.reject(new ApiError('offline', 'No line.'))
      : Promise.resolve({ subject }),
  );
  const before = bench(1, 2, 3, 4);
  act(() => void before.result.current.find([1, 2, 3, 4]));
  await waitFor(() => expect(before.result.current.run).toEqual({ done: 2, of: 4 }));
  window.dispatchEvent(new Event('pagehide'));

  api.mockReset().mockResolvedValue({ subject });
  const after = bench(1, 2, 3, 4);
  await waitFor(() => expect(after.result.current.outcome).toBe('found like others: 4 subjects of 4'));
  expect(api.mock.calls.map(([, , { photo }]) => photo)).toEqual([3, 4]); // prettier-ignore
  expect(after.history.steps.getState().past.map(({ forth }) => (forth as PhotoChange[]).map(({ id }) => id))).toEqual([[1, 2, 3, 4]]); // prettier-ignore
  after.history.undo();
  expect([...after.subjects.values()]).toEqual([null, null, null, null]);

  // It is over: a third page has nothing to go on with.
  api.mockClear();
  bench(1, 2, 3, 4);
  await act(async () => {});
  expect(api).not.toHaveBeenCalled();
});
