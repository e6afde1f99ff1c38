/** Routes asked as a browser asks them, for tests. */
import { readdirSync } from 'node:fs';
import { join, sep } from 'node:path';

export const METHODS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'] as const;
export type Method = (typeof METHODS)[number];
type Handler = (request: Request, context: { params: Promise<object> }) => Promise<Response>;

const HERE = 'src/app/api';

/** The addresses of all routes, below /api. */
export const FILES = readdirSync(HERE, { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('route.ts'))
  .map((file) => file.split(sep).slice(0, -1).join('/'));

/** What stands in addresses where a test says nothing else: of nothing that there is. */
const PARTS = { id: '999999', other: '999998', file: '1', sum: 'b'.repeat(64), size: '512', name: 'no-such-one' };

type Asked = {
  readonly body?: unknown;
  readonly query?: string;
  readonly parts?: Partial<typeof PARTS>;
  readonly headers?: Readonly<Record<string, string>>;
};

/** @param who the headers of somebody who is signed in; null for nobody */
export async function ask(
  who: Headers | null,
  method: Method,
  path: string,
  { body, query = '', parts, headers = {} }: Asked = {},
) {
  const all = new Headers(who ?? undefined);
  for (const [name, value] of Object.entries({ host: '127.0.0.1:4310', ...headers })) all.set(name, value);
  const sent = method === 'GET' || body === undefined ? undefined : JSON.stringify(body);
  const request = new Request(`http://127.0.0.1:4310/api/${path}${query}`, { method, headers: all, body: sent });
  const route = (await import(join(process.cwd(), HERE, path, 'route.ts'))) as Record<Method, Handler>;
  const answer = await route[method](request, { params: Promise.resolve({ ...PARTS, ...parts }) });
  const text = answer.headers.get('content-type')?.startsWith('text/event-stream') ? '' : await answer.text();
  const error = answer.status < 400 ? null : (JSON.parse(text) as { error: { code: string; message: string } }).error;
  return { status: answer.status, error: error?.code ?? null, text, headers: answer.headers };
}
