import { until } from '@/core/testing/until';
import { ApiError } from '../shared/api';
import { createPhotoSaves } from './photo-saves';

let lineIsBack = () => {};
jest.mock('../shared/line', () => ({
  ...jest.requireActual('../shared/line'),
  lineBack: () => new Promise<void>((resolve) => (lineIsBack = resolve)),
}));

/** A server that answers when told to. */
function server() {
  const asked: unknown[] = [];
  const answers: ((error?: Error) => void)[] = [];
  const failed: (string | null)[] = [];
  const busy: boolean[] = [];
  const saves = createPhotoSaves(
    (changes) =>
      new Promise((resolve, reject) => {
        asked.push(changes);
        answers.push((error) => (error ? reject(error) : resolve(undefined)));
      }),
    (error) => failed.push(error?.message ?? null),
    (isBusy) => busy.push(isBusy),
  );
  const settle = () => new Promise((resolve) => setImmediate(resolve));
  return { saves, asked, failed, busy, answer: async (error?: Error) => (answers.shift()!(error), settle()) };
}
const scaled = (scale: number) => ({ x: 0, y: 0, scale, angle: 0 });

test('ticks of a wheel go one request after the other, and the last one counts', async () => {
  const { saves, asked, answer } = server();
  for (const scale of [1.1, 1.2, 1.3]) saves.add([{ id: 7, adjustment: scaled(scale) }]);
  expect(asked).toEqual([[{ id: 7, adjustment: scaled(1.1) }]]);
  await answer();
  expect(asked.slice(1)).toEqual([[{ id: 7, adjustment: scaled(1.3) }]]);
  await answer();
  expect(asked).toHaveLength(2);
});

test('changes of several fields and photos that wait are joined', async () => {
  const { saves, asked, answer } = server();
  saves.add([{ id: 1, review: 'good' }]);
  saves.add([{ id: 2, review: 'out' }]);
  saves.add([{ id: 2, adjustment: null }, { id: 3, review: 'out' }]); // prettier-ignore
  expect(saves.unsent()).toHaveLength(2);
  await answer();
  expect(asked[1]).toEqual([{ id: 2, review: 'out', adjustment: null }, { id: 3, review: 'out' }]); // prettier-ignore
});

test('a request that fails is told, and does not keep back the next one', async () => {
  const { saves, asked, failed, answer } = server();
  saves.add([{ id: 1, review: 'good' }]);
  saves.add([{ id: 1, review: 'out' }]);
  await answer(new Error('The server can’t be reached.'));
  await answer();
  expect([asked.length, failed]).toEqual([2, ['The server can’t be reached.', null]]);
});

test('it is busy until the server has all, and says how much that is', async () => {
  const { saves, busy, answer } = server();
  expect([busy, saves.pendingLetters()]).toEqual([[], 0]);
  const changes = [
    { id: 1, review: 'good' as const },
    { id: 2, data: { Title: 'Jug' } },
  ];
  saves.add(changes);
  saves.add([{ id: 3, review: 'out' }]);
  expect([busy, saves.pendingLetters()]).toEqual([
    [true],
    JSON.stringify([...changes, { id: 3, review: 'out' }]).length,
  ]);
  await answer();
  expect(busy).toEqual([true]);
  await answer();
  expect([busy, saves.pendingLetters()]).toEqual([[true, false], 0]);
});

test('flush waits for all that was added', async () => {
  const { saves, answer } = server();
  saves.add([{ id: 1, review: 'good' }]);
  saves.add([{ id: 2, review: 'good' }]);
  let done = false;
  const flushed = saves.flush().then(() => (done = true));
  await answer();
  expect(done).toBe(false);
  await answer();
  await flushed;
  expect(done).toBe(true);
});

test('without a line changes wait, and go when it is back: what may have arrived just so, and then what came since', async () => {
  const { saves, asked, failed, answer } = server();
  saves.add([{ id: 1, review: 'good' }, { id: 2, review: 'good' }]); // prettier-ignore
  await answer(new ApiError('offline', 'The server can’t be reached.'));
  saves.add([{ id: 1, review: 'out' }]);
  expect([asked.length, saves.unsent()]).toEqual([
    1,
    [
      { id: 1, review: 'out' },
      { id: 2, review: 'good' },
    ],
  ]);
  lineIsBack();
  await until(() => asked.length === 2);
  expect(asked[1]).toEqual([{ id: 1, review: 'good' }, { id: 2, review: 'good' }]); // prettier-ignore
  await answer();
  await until(() => asked.length === 3);
  expect(asked[2]).toEqual([{ id: 1, review: 'out' }]);
  await answer();
  expect(failed).toEqual(['The server can’t be reached.', null, null]);
});

test('nothing to change keeps nothing back', async () => {
  const { saves, asked } = server();
  saves.add([]);
  saves.add([{ id: 1, review: 'good' }]);
  expect(asked).toEqual([[{ id: 1, review: 'good' }]]);
});

test('fields of a photo’s data are joined one by one, and much text goes in several requests', async () => {
  const { saves, asked, answer } = server();
  saves.add([{ id: 1, review: 'good' }]);
  saves.add([{ id: 1, data: { Title: 'a', Maker: 'b' } }]);
  saves.add([{ id: 1, data: { Title: null } }]);
  await answer();
  expect(asked[1]).toEqual([{ id: 1, data: { Title: null, Maker: 'b' } }]);
  saves.add(Array.from({ length: 400 }, (_, id) => ({ id, data: { Title: 'x'.repeat(2000) } })));
  while (asked.length < 5) await answer();
  const sent = asked.slice(2) as { id: number }[][];
  expect(sent.flat().map(({ id }) => id)).toEqual(Array.from({ length: 400 }, (_, id) => id));
  for (const one of sent) expect(JSON.stringify(one).length).toBeLessThan(320_000);
});
