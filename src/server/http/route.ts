/** The one form of a route: guard, work, answer; errors become one form of JSON. */
import { ZodError } from 'zod';
import { WobrelError } from '../../core/errors';
import type { ProxySize } from '../config';
import { FIRST_WORKSPACE, hereIn, type Here } from '../workspace';
import { guard } from './guard';

const STATUS: Readonly<Record<string, number>> = {
  forbidden: 403,
  'not-found': 404,
  conflict: 409,
  locked: 423,
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
    const { path, message } = error.issues[0]!;
    const at = path.join('.') || null;
    return Response.json(
      { error: { code: 'invalid', message: at ? `${at}: ${message}` : message, at } },
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

/** What a route is asked: where and by whom, with what, and the parts of its address. */
type Asked = { readonly here: Here; readonly request: Request } & Readonly<Record<Part, string>>;

type Work = (asked: Asked) => Promise<Response | object | void>;

/** Wraps one method's work. */
function route(work: Work) {
  return async (request: Request, context: { params: Promise<unknown> }): Promise<Response> => {
    try {
      guard(request.headers, request.method);
      const parts = (await context.params) as Record<Part, string>;
      const answer = await work({ ...parts, here: hereIn(FIRST_WORKSPACE), request });
      if (answer instanceof Response) return answer;
      return answer === undefined ? new Response(null, { status: 204 }) : Response.json(answer);
    } catch (error) {
      return answerFor(error);
    }
  };
}

const METHODS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'] as const;
type Method = (typeof METHODS)[number];

/**
 * A route's methods, each by its work: plain objects are answered as JSON, nothing as 204.
 * Methods that it does not have are refused in the same form.
 */
export function routes(works: Partial<Record<Method, Work>>): Record<Method, ReturnType<typeof route>> {
  const known = Object.keys(works).join(', ');
  const refuse: Work = async ({ request }) => {
    throw new WobrelError('method', `${request.method} is not possible here, only ${known || 'nothing'}.`);
  };
  return Object.fromEntries(METHODS.map((method) => [method, route(works[method] ?? refuse)])) as ReturnType<
    typeof routes
  >;
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
