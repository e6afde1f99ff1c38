/** @jest-environment jsdom */
import { ApiError } from './api';
import { overTheLine, useLine } from './line';

const lost = () => new ApiError('offline', 'The server can’t be reached.');
let answers: boolean[] = [];
beforeEach(() => {
  global.fetch = jest.fn(async () => {
    if (answers.shift() === false) throw new TypeError('no line');
    return { ok: true, status: 204 } as Response;
  });
});

/** Says again and again that the browser is online, as waiting for its own question takes seconds. */
async function online<T>(work: Promise<T>): Promise<T> {
  const timer = setInterval(() => window.dispatchEvent(new Event('online')), 1);
  return work.finally(() => clearInterval(timer));
}

test('what broke off is done again once the server answers', async () => {
  answers = [false, false, true];
  const work = jest.fn<Promise<string>, []>().mockRejectedValueOnce(lost()).mockResolvedValueOnce('sent');
  const onLost = jest.fn(() => undefined);
  expect(await online(overTheLine(work, onLost))).toBe('sent');
  expect([work.mock.calls.length, onLost.mock.calls.length, answers.length]).toEqual([2, 1, 0]);
  expect(useLine.getState().isUp).toBe(true);
});

test('what breaks off again and again while the server answers is given up: it is not the line', async () => {
  answers = [];
  const work = jest.fn(() => Promise.reject(lost()));
  await expect(online(overTheLine(work))).rejects.toMatchObject({ code: 'offline' });
  expect(work).toHaveBeenCalledTimes(4);
});

test('a refusal is no broken line', async () => {
  const work = jest.fn(() => Promise.reject(new ApiError('invalid', 'No.')));
  await expect(overTheLine(work)).rejects.toMatchObject({ code: 'invalid' });
  expect(work).toHaveBeenCalledTimes(1);
});
