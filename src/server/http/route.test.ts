import { z } from 'zod';
import { WobrelError } from '../../core/errors';
import { bodyOf, numberOf, route } from '.';

const context = { params: Promise.resolve({ id: '7' }) };
const request = (init: RequestInit = {}, headers: Record<string, string> = {}) =>
  new Request('http://127.0.0.1:4310/api/x', { ...init, headers: { host: '127.0.0.1:4310', ...headers } });

/** The answer's status and its error. */
async function answerTo(work: Parameters<typeof route>[0], asked = request()) {
  const response = await route(work)(asked, context);
  return { status: response.status, body: response.status === 204 ? null : await response.json() };
}

test('plain objects are answered as JSON, nothing as 204, and parameters are handed over', async () => {
  expect(await answerTo(async (_, { id }) => ({ id }))).toEqual({ status: 200, body: { id: '7' } });
  expect(await answerTo(async () => {})).toEqual({ status: 204, body: null });
});

test.each([
  [new WobrelError('not-found', 'There is no such batch.'), 404],
  [new WobrelError('conflict', 'Changed elsewhere.'), 409],
  [new WobrelError('cannot-write', 'The disk is full.', '/data'), 507],
  [new WobrelError('template-invalid', 'borders[0].width: too small', 'borders[0].width'), 400],
])('errors become one form of JSON with a sentence: %s', async (error, status) => {
  const { code, message, at } = error;
  const answer = await answerTo(async () => {
    throw error;
  });
  expect(answer).toEqual({ status, body: { error: { code, message, at } } });
});

test('an unexpected error is logged and told without its details', async () => {
  const log = jest.spyOn(console, 'error').mockImplementation(() => {});
  const answer = await answerTo(async () => {
    throw new TypeError('secret path /home/x');
  });
  expect(answer.status).toBe(500);
  expect(JSON.stringify(answer.body)).not.toContain('secret');
  expect(log).toHaveBeenCalledTimes(1);
  log.mockRestore();
});

test('a body is checked against its schema: the field at fault is named', async () => {
  const work = async (asked: Request) => bodyOf(asked, z.strictObject({ name: z.string() }));
  const sent = (text: string) => request({ method: 'POST', body: text });
  expect((await answerTo(work, sent('{"name":3}'))).body.error).toMatchObject({ code: 'invalid', at: 'name' });
  expect((await answerTo(work, sent('{"name":'))).body.error.message).toBe('The request is not JSON.');
  expect((await answerTo(work, sent('{"name":"x"}'))).body).toEqual({ name: 'x' });
});

test('a request from another site never reaches the work', async () => {
  const work = jest.fn(async () => ({}));
  const answer = await answerTo(work, request({ method: 'DELETE' }, { origin: 'http://evil.example' }));
  expect([answer.status, work.mock.calls.length]).toEqual([403, 0]);
});

test.each(['', 'x', '-1', '1.5', '1e3', '9'.repeat(16), '../1'])('%j is no row number', (text) => {
  expect(() => numberOf(text)).toThrow('nothing at this address');
});

test('a missing number takes the fallback where there is one', () => {
  expect([numberOf('12'), numberOf(null, 5), numberOf('0', 5)]).toEqual([12, 5, 0]);
  expect(() => numberOf(null)).toThrow();
});
