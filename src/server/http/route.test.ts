import { z } from 'zod';
import { WobrelError } from '../../core/errors';
import { peopleFolder } from '../people/testing';
import { bodyOf, numberOf, routes, sumOf } from '.';
import { isDeeper, MAX_JSON_BYTES } from './body';

peopleFolder();

const context = { params: Promise.resolve({ id: '7' }) };
const request = (init: RequestInit = {}, headers: Record<string, string> = {}) =>
  new Request('http://127.0.0.1:4310/api/x', { ...init, headers: { host: '127.0.0.1:4310', ...headers } });

/** The answer's status and its error. */
type Work = NonNullable<Parameters<typeof routes>[0]['GET']>;
async function answerTo(work: Work, asked = request()) {
  const response = await routes({ GET: work }).GET(asked, context);
  return { status: response.status, body: response.status === 204 ? null : await response.json() };
}

test('plain objects are answered as JSON, nothing as 204, and parameters are handed over', async () => {
  expect(await answerTo(async ({ id }) => ({ id }))).toEqual({ status: 200, body: { id: '7' } });
  expect(await answerTo(async () => {})).toEqual({ status: 204, body: null });
});

test.each([
  [new WobrelError('not-found', 'There is no such batch.'), 404],
  [new WobrelError('conflict', 'Changed elsewhere.'), 409],
  [new WobrelError('cannot-write', 'The disk is full.', '/data'), 507],
  [new WobrelError('template-invalid', 'borders[0].width: too small', 'borders[0].width'), 400],
])('errors become one form of JSON with a sentence: %s', async (error, status) => {
  const { code, message } = error;
  // A folder of the server stays its own business.
  const at = code === 'cannot-write' ? null : error.at;
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
  const work = async ({ request }: { request: Request }) => bodyOf(request, z.strictObject({ name: z.string() }));
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

test('a method that a route does not have is refused in the same form', async () => {
  const { PUT } = routes({ GET: async () => ({}), POST: async () => ({}) });
  const response = await PUT(request({ method: 'PUT' }), context);
  expect([response.status, await response.json()]).toEqual([
    405,
    { error: { code: 'method', message: 'PUT is not possible here, only GET, POST.', at: null } },
  ]);
});

describe('JSON that would harm', () => {
  const refused = async (body: BodyInit, headers: Record<string, string> = {}) => {
    const asked = request({ method: 'POST', body, duplex: 'half' } as RequestInit, headers);
    return bodyOf(asked, z.unknown()).catch((error: WobrelError) => error.code);
  };

  test('more than 1 MB is refused by its length, and where that is not told, as it comes', async () => {
    expect(await refused(JSON.stringify('x'.repeat(MAX_JSON_BYTES)))).toBe('too-large');
    let sent = 0;
    const endless = new ReadableStream({
      pull: (controller) => {
        sent += 65_536;
        controller.enqueue(new Uint8Array(65_536).fill(32));
      },
    });
    expect(await refused(endless)).toBe('too-large');
    expect(sent).toBeLessThan(2 * MAX_JSON_BYTES);
  });

  test('what is nested a hundred thousand times is refused, not crashed upon', async () => {
    expect(await refused('['.repeat(100_000) + ']'.repeat(100_000))).toBe('invalid');
    expect(await refused('{"a":'.repeat(100_000) + '1' + '}'.repeat(100_000))).toBe('invalid');
  });

  test('only brackets outside of texts count', () => {
    expect(isDeeper('["[[[[", {"a\\"[[[": [1]}]', 3)).toBe(false);
    expect(isDeeper('[[[[]]]]', 3)).toBe(true);
  });
});

test('a picture’s sum is 64 hexadecimal digits, nothing that could be a path', () => {
  const sum = 'a1'.repeat(32);
  expect(sumOf(sum)).toBe(sum);
  for (const other of ['', '../x', sum.slice(1), sum.toUpperCase(), `${sum}/..`]) expect(() => sumOf(other)).toThrow();
});
