/** The one form of a route: guard, work, answer; errors become one form of JSON. */
import { ZodError, type z } from 'zod';
import { WobrelError } from '../../core/errors';
import type { ProxySize } from '../config';
import { guard } from './guard';

const STATUS: Readonly<Record<string, number>> = {
  forbidden: 403,
  'not-found': 404,
  conflict: 409,
  'not-done': 409,
  'cannot-write': 507,
};

function answerFor(error: unknown): Response {
  if (error instanceof WobrelError) {
    const { code, message, at } = error;
    return Response.json({ error: { code, message, at } }, { status: STATUS[code] ?? 400 });
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

type Params = Promise<Record<string, string>>;
type Work = (request: Request, params: Record<string, string>) => Promise<Response | object | void>;

/** Wraps a route's work; plain objects are answered as JSON, nothing as 204. */
export function route(work: Work) {
  return async (request: Request, context: { params: Params }): Promise<Response> => {
    try {
      guard(request.headers, request.method);
      const answer = await work(request, await context.params);
      if (answer instanceof Response) return answer;
      return answer === undefined ? new Response(null, { status: 204 }) : Response.json(answer);
    } catch (error) {
      return answerFor(error);
    }
  };
}

/** The request's JSON body, checked. */
export async function bodyOf<S extends z.ZodType>(request: Request, schema: S): Promise<z.output<S>> {
  const body: unknown = await request.json().catch(() => {
    throw new WobrelError('invalid', 'The request is not JSON.');
  });
  return schema.parse(body);
}

/** A row's number out of a path or query. */
export function numberOf(text: string | null | undefined, fallback?: number): number {
  if ((text === null || text === undefined) && fallback !== undefined) return fallback;
  if (!/^\d{1,15}$/.test(text ?? '')) throw new WobrelError('not-found', 'There is nothing at this address.');
  return Number(text);
}

/** A proxy's size out of a path. */
export function proxySizeOf(text: string | undefined): ProxySize {
  if (text !== '512' && text !== '2048') throw new WobrelError('not-found', 'Proxies are 512 or 2048 px.');
  return text === '512' ? 512 : 2048;
}
