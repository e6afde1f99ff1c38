import type { FindingsChange, WatchedPhoto } from '../core/checks';
import { parseTemplate } from '../core/template';
import { createFindings } from './findings';
import type { FindingsAnswer, FindingsMessage } from './findings-protocol';

const template = (name: string) => parseTemplate({ wobrel: 1, name });
const photo = (id: number): WatchedPhoto => ({ id, name: `${id}`, width: 30, height: 20, hasAlpha: false, review: 'open' }); // prettier-ignore
const nothing: FindingsChange = {
  photos: [],
  ofOutputs: [],
  means: { sharpness: null, brightness: null, lightest: null, size: null },
};

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

type Made = {
  readonly postMessage: (message: FindingsMessage) => void;
  readonly terminate: jest.Mock;
  onmessage: ((event: { data: FindingsAnswer }) => void) | null;
  onerror: (() => void) | null;
};

/** Workers that answer when told to. */
function desk() {
  const asked: FindingsMessage[] = [];
  const workers: Made[] = [];
  const start = () => {
    workers.push({ postMessage: (m) => void asked.push(m), terminate: jest.fn(), onmessage: null, onerror: null });
    return workers.at(-1) as unknown as Worker;
  };
  const [told, errors]: string[][] = [[], []];
  const source = createFindings(
    (_, about) => told!.push(about.template.name),
    (message) => errors!.push(message),
    start,
  );
  const answer = (more: object = { change: nothing }, by = workers.at(-1)!) =>
    by.onmessage!({ data: { ticket: asked.length, ...more } as FindingsAnswer });
  return { source, asked, told: told!, errors: errors!, answer, workers };
}

test('only what has changed is sent, in one question at a time, the newest next', () => {
  const { source, asked, told, answer } = desk();
  const [a, b] = [template('a'), template('b')];
  const photos = [photo(1), photo(2)];
  source.ask(a, photos);
  source.ask(template('between'), photos);
  const moved = [photos[0]!, { ...photos[1]!, adjustment: null }];
  source.ask(b, moved);
  expect(asked.map(({ changed, order }) => [changed.length, order])).toEqual([[2, [1, 2]]]);
  answer();
  expect(asked[1]).toMatchObject({ template: { name: 'b' }, changed: [{ id: 2 }], order: [1, 2] });
  answer();
  source.ask(b, moved);
  expect(asked).toHaveLength(2);
  expect(told).toEqual(['a', 'b']);
  source.ask(a, moved);
  expect(asked[2]).toMatchObject({ template: { name: 'a' }, changed: [], order: null });
});

test('an error is told, and the next question is asked all the same, of all photos', () => {
  const { source, asked, errors, answer, workers } = desk();
  const photos = [photo(1), photo(2)];
  source.ask(template('a'), photos);
  source.ask(template('b'), photos);
  answer({ error: 'the shape is too intricate' });
  expect([errors, asked.length]).toEqual([['the shape is too intricate'], 2]);
  expect(asked[1]).toMatchObject({ template: { name: 'b' }, order: [1, 2] });
  expect(asked[1]!.changed).toHaveLength(2);
  source.close();
  expect(workers.map(({ terminate }) => terminate.mock.calls.length)).toEqual([1, 1]);
  expect(jest.getTimerCount()).toBe(0);
});

test('a worker that can’t be started, or dies, is told once, and tried again with the next change', () => {
  const { source, asked, told, errors, answer, workers } = desk();
  const photos = [photo(1)];
  source.ask(template('a'), photos);
  workers[0]!.onerror!();
  expect([errors.length, workers.length]).toEqual([1, 1]);
  source.ask(template('b'), photos);
  expect([workers.length, asked[1]!.changed.length]).toEqual([2, 1]);
  answer();
  expect(told).toEqual(['b']);
  source.close();
  workers[1]!.onerror!();
  expect(errors).toHaveLength(1);
});

test('a worker that does not answer for a minute is ended, and another is told everything anew', () => {
  const { source, asked, told, errors, answer, workers } = desk();
  const [slow, quick] = [template('slow'), template('quick')];
  const photos = [photo(1), photo(2)];
  source.ask(slow, photos);
  jest.advanceTimersByTime(59_000);
  expect(workers[0]!.terminate).not.toHaveBeenCalled();
  source.ask(quick, photos);
  jest.advanceTimersByTime(10_000);
  expect(workers[0]!.terminate).toHaveBeenCalledTimes(1);
  expect(errors).toEqual([expect.stringContaining('too long')]);
  expect(asked[1]).toMatchObject({ template: { name: 'quick' }, order: [1, 2] });
  expect(asked[1]!.changed).toHaveLength(2);
  // What the first one had sent by then is about what was asked of it.
  answer({ change: nothing }, workers[0]);
  expect(told).toEqual([]);
  answer();
  expect(told).toEqual(['quick']);
  // Nothing is under way, so nothing can take too long.
  jest.advanceTimersByTime(600_000);
  expect(workers[1]!.terminate).not.toHaveBeenCalled();
});
