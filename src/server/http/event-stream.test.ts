import { until } from '../../core/testing/until';
import { eventStream } from './event-stream';

type State = { readonly done: number; readonly state: string };

/** Something that goes on, whose reading can be held up. */
function going() {
  let now: State = { done: 0, state: 'running' };
  const listeners = new Set<() => void>();
  const held: (() => void)[] = [];
  let [hold, broken] = [false, false];
  const aborter = new AbortController();
  const response = eventStream<State>({
    read: async () => {
      if (broken) throw new Error('The database is gone.');
      const seen = now;
      if (hold) await new Promise<void>((go) => held.push(go));
      return seen;
    },
    isOver: ({ state }) => state === 'done',
    listen: (onChange) => {
      listeners.add(onChange);
      return () => listeners.delete(onChange);
    },
    signal: aborter.signal,
    everyMs: 1,
  });
  return {
    listeners,
    abort: () => aborter.abort(),
    change: (next: State) => {
      now = next;
      for (const listener of [...listeners]) listener();
    },
    breakReading: () => (broken = true),
    holdReading: () => (hold = true),
    isReading: () => held.length > 0,
    goOn: () => {
      hold = false;
      held.splice(0).forEach((go) => go());
    },
    text: () => response.text(),
    body: response.body!,
  };
}

const states = (text: string) =>
  [...text.matchAll(/^data: (.*)$/gm)].map(([, json]) => (JSON.parse(json!) as State).state);

test('reports how things stand at once, and ends when it is over', async () => {
  const work = going();
  const text = work.text();
  work.change({ done: 3, state: 'done' });
  expect(states(await text).at(-1)).toBe('done');
  expect(work.listeners.size).toBe(0);
});

test('“done” that comes while a report is being read is not lost', async () => {
  const work = going();
  work.holdReading();
  const text = work.text();
  await until(work.isReading);
  // The report under way has seen the state before; the change comes now, and nothing after it.
  work.change({ done: 3, state: 'done' });
  work.goOn();
  expect(states(await text)).toEqual(['running', 'done']);
});

test('a page that goes away is no longer listened for', async () => {
  const work = going();
  expect(work.listeners.size).toBe(1);
  work.abort();
  expect(work.listeners.size).toBe(0);
  const other = going();
  await other.body.cancel();
  expect(other.listeners.size).toBe(0);
});

test('where how things stand can’t be read any more, the stream ends: the page asks again', async () => {
  const work = going();
  const text = work.text();
  work.breakReading();
  work.change({ done: 3, state: 'running' });
  expect(states(await text)).not.toContain('done');
  expect(work.listeners.size).toBe(0);
});
