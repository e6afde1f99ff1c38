/** The one form of a route: guard, work, answer; errors become one form of JSON. */
import { ZodError } from 'zod';
import { WobrelError } from '../../core/errors';
import { faultOf } from '../../core/issue-words';
import type { ProxySize } from '../config';
import { whoAsks } from '../people';
import type { Here } from '../workspace';
import { guard } from './guard';

const STATUS: Readonly<Record<string, number>> = {
  'signed-out': 401,
  'wrong-sign-in': 401,
  forbidden: 403,
  'not-allowed': 403,
  'not-found': 404,
  conflict: 409,
  elsewhere: 409,
  locked: 423,
  'too-often': 429,
  'not-done': 409,
  gone: 410,
  'too-large': 413,
  method: 405,
  'cannot-write': 507,
};

function answerFor(error: unknown): Response {
  if (error instanceof WobrelError) {
    const { code, message, at } = error;
    // A folder of the server is nobody's business but its own.
    const shown = code === 'cannot-write' ? null : at;
    return Response.json({ error: { code, message, at: shown } }, { status: STATUS[code] ?? 400 });
  }
  if (error instanceof ZodError) {
    const { at, message } = faultOf(error);
    return Response.json(
      { error: { code: 'invalid', message: `${at || 'request'}: ${message}`, at: at || null } },
      { status: 400 },
    );
  }
  console.error(error);
  return Response.json(
    {
      error: {
        code: 'unexpected',
        message: 'Something unexpected went wrong on the server; its log says more.',
        at: null,
      },
    },
    { status: 500 },
  );
}

/** The names that parts of addresses go by. */
type Part = 'id' | 'sum' | 'size' | 'name' | 'other' | 'file';

/** What a route is asked: with what, and the parts of its address. */
type AskedByAnyone = { readonly request: Request } & Readonly<Record<Part, string>>;
/** And where, and by whom. */
type Asked = AskedByAnyone & { readonly here: Here };

type Work<A> = (asked: A) => Promise<Response | object | void>;

/** The workspace that a page shows; its session may be in another one by now. */
const SHOWN_HEADER = 'x-wobrel-workspace';
/** The window that asks: what it did itself it is not told. */
const WINDOW_HEADER = 'x-wobrel-window';

/**
 * Who asks, in the workspace that their page shows.
 *
 * @throws WobrelError `signed-out`, or `elsewhere`
 */
async function hereOf({ headers }: Request): Promise<Here> {
  const here = await whoAsks(headers);
  const shown = headers.get(SHOWN_HEADER);
  if (shown !== null && shown !== String(here.key))
    throw new WobrelError('elsewhere', 'You went to another workspace in another window: reload this page.');
  const window = headers.get(WINDOW_HEADER);
  return { ...here, actor: { ...here.actor, window: window !== null && /^[\w-]{1,60}$/.test(window) ? window : null } };
}

/** Wraps one method's work. */
function route(work: Work<AskedByAnyone>) {
  return async (request: Request, context: { params: Promise<unknown> }): Promise<Response> => {
    try {
      guard(request.headers, request.method);
      const parts = (await context.params) as Record<Part, string>;
      const answer = await work({ ...parts, request });
      if (answer instanceof Response) return answer;
      // What is told to one person is kept by no browser for the next.
      const headers = { 'cache-control': 'no-store' };
      return answer === undefined ? new Response(null, { status: 204, headers }) : Response.json(answer, { headers });
    } catch (error) {
      return answerFor(error);
    }
  };
}

const METHODS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'] as const;
type Method = (typeof METHODS)[number];

type Works<A> = Partial<Record<Method, Work<A>>>;

/** As `routes`, for what anyone may ask for, signed in or not. */
export function openRoutes(works: Works<AskedByAnyone>): Record<Method, ReturnType<typeof route>> {
  const known = Object.keys(works).join(', ');
  const refuse: Work<AskedByAnyone> = async ({ request }) => {
    throw new WobrelError('method', `${request.method} is not possible here, only ${known || 'nothing'}.`);
  };
  return Object.fromEntries(METHODS.map((method) => [method, route(works[method] ?? refuse)])) as ReturnType<
    typeof routes
  >;
}

/**
 * A route's methods, each by its work: plain objects are answered as JSON, nothing as 204.
 * Methods that it does not have are refused in the same form, and so is whoever is not signed in where people sign in.
 */
export function routes(works: Works<Asked>): Record<Method, ReturnType<typeof route>> {
  const known = Object.entries(works).map(([method, work]) => [
    method,
    async (asked: AskedByAnyone) => work({ ...asked, here: await hereOf(asked.request) }),
  ]);
  return openRoutes(Object.fromEntries(known) as Works<AskedByAnyone>);
}

/** A person's name in addresses. */
export function personOf(text: string): string {
  if (!/^[\w-]{1,64}$/.test(text)) throw new WobrelError('not-found', 'There is nothing at this address.');
  return text;
}

/** A row's number out of a path or query. */
export function numberOf(text: string | null | undefined, fallback?: number): number {
  if ((text === null || text === undefined) && fallback !== undefined) return fallback;
  if (!/^\d{1,15}$/.test(text ?? '')) throw new WobrelError('not-found', 'There is nothing at this address.');
  return Number(text);
}

/** A picture's sum out of a path or query. */
export function sumOf(text: string | undefined): string {
  if (!/^[0-9a-f]{64}$/.test(text ?? '')) throw new WobrelError('not-found', 'There is nothing at this address.');
  return text!;
}

/** A proxy's size out of a path. */
export function proxySizeOf(text: string | undefined): ProxySize {
  if (text !== '512' && text !== '2048') throw new WobrelError('not-found', 'Proxies are 512 or 2048 px.');
  return text === '512' ? 512 : 2048;
}
