/** What the stand-ins have in common as servers: on this machine only, with their faults. */
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { faults, faultSchema, type Fault } from './faults';
import { LineCut } from './kept-files';

export type Asked = { readonly request: IncomingMessage; readonly response: ServerResponse; readonly path: string };

/** A stand-in that runs. */
export type StandIn = {
  readonly url: string;
  readonly setFault: (fault: Fault) => void;
  /** Every request that changed something and went well: its method and path, in turn. */
  readonly changes: readonly string[];
  readonly close: () => Promise<void>;
};

/** An answer with a body of JSON, or none. */
export function answer(
  response: ServerResponse,
  status: number,
  headers: Record<string, string | number> = {},
  body?: object,
): void {
  const type = status >= 400 ? 'application/problem+json' : 'application/json';
  response.writeHead(status, { ...(body && { 'content-type': type }), ...headers });
  response.end(body && JSON.stringify(body));
}

async function jsonOf(request: IncomingMessage): Promise<unknown> {
  const chunks: Buffer[] = [];
  for await (const chunk of request) chunks.push(chunk as Buffer);
  return JSON.parse(Buffer.concat(chunks).toString('utf8'));
}

/** Methods that bring a file. */
const BRINGS = ['PUT'];

/** Whether a file's fault answers for it. */
function answeredBy(fault: Fault, response: ServerResponse): boolean {
  if (fault.kind === 'error') answer(response, 500, {}, { title: 'Something went wrong here' });
  else if (fault.kind === 'busy') answer(response, 503, { 'retry-after': 0 }, { title: 'Busy' });
  else if (fault.kind === 'full') answer(response, 507, {}, { title: 'No room' });
  else return false;
  return true;
}

/**
 * Starts a stand-in on 127.0.0.1; `PUT /stand-in/fault` says what it does wrong from then on.
 *
 * @param port 0 for any that is free
 * @param work answers a request; `fault` is the one of a file that comes with it
 */
export async function serve(port: number, work: (asked: Asked, fault: Fault) => Promise<void>): Promise<StandIn> {
  const own = faults();
  const changes: string[] = [];
  const handle = async (request: IncomingMessage, response: ServerResponse) => {
    const path = new URL(request.url ?? '/', 'http://here').pathname;
    if (path === '/stand-in/fault' && request.method === 'PUT') {
      own.set(faultSchema.parse(await jsonOf(request)));
      return answer(response, 204);
    }
    const fault = BRINGS.includes(request.method ?? '') ? own.next() : { kind: 'none' as const, pauseMs: 0 };
    if (answeredBy(fault, response)) return void request.resume();
    await work({ request, response, path }, fault);
    if (!['GET', 'HEAD', 'PROPFIND'].includes(request.method ?? '') && response.statusCode < 300)
      changes.push(`${request.method} ${decodeURIComponent(path)}`);
  };
  const server = createServer((request, response) => {
    handle(request, response).catch((error: unknown) => {
      if (error instanceof LineCut || request.destroyed) return void request.socket.destroy();
      if (!response.headersSent) answer(response, 400, {}, { title: String((error as Error).message) });
    });
  });
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', resolve);
  });
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    setFault: own.set,
    changes,
    close: () =>
      new Promise((resolve) => {
        server.close(() => resolve());
        server.closeAllConnections();
      }),
  };
}
