/** Starts the built application: `node dist/serve.mjs`, at HOST and PORT. */
import next from 'next';
import { createServer } from 'node:http';
import { isIPv6, type AddressInfo } from 'node:net';
import { checkSettings, setting } from './server/config';
import { builtFiles, refusalOf } from './server/http';
import { PLACE_HEADER } from './server/people';

try {
  checkSettings();
} catch (error) {
  console.error((error as Error).message);
  process.exit(1);
}
const hostname = setting('HOST');
const port = setting('PORT');

/** Uploads over a bad line take their time, ms. */
const REQUEST_TIMEOUT = 60 * 60 * 1000;
/** Idle connections are kept as long, ms: longer than clients keep theirs. */
const KEEP_ALIVE = 5 * 60 * 1000;

/** Why it can't listen there, by Node's code. */
const NOT_LISTENING: Readonly<Record<string, string>> = {
  EADDRINUSE: `Port ${port} is taken already: set PORT to another one.`,
  EACCES: `Port ${port} is not for everyone: set PORT to one from 1024.`,
  EADDRNOTAVAIL: `${hostname} is no address of this machine: set HOST to one that is.`,
  ENOTFOUND: `Nothing is called ${hostname}: set HOST to an address of this machine.`,
};

const app = next({ dev: false, hostname, port });
await app.prepare();
const pages = app.getRequestHandler();
const answer = builtFiles('.next/static', (request, response) => void pages(request, response));

const server = createServer((request, response) => {
  const refusal = refusalOf(request);
  if (!refusal) {
    // Where it really comes from: what a client says of it counts for nothing.
    request.headers[PLACE_HEADER] = request.socket.remoteAddress ?? '';
    return answer(request, response);
  }
  const { code, message, at } = refusal.error;
  response.writeHead(refusal.status, { 'content-type': 'application/json', 'x-content-type-options': 'nosniff' });
  response.end(JSON.stringify({ error: { code, message, at } }));
});
server.requestTimeout = REQUEST_TIMEOUT;
// Node closes idle connections after five seconds: a request sent in that moment on one of them would be lost.
server.keepAliveTimeout = KEEP_ALIVE;
server.headersTimeout = KEEP_ALIVE + 1000;
server.on('error', (error: NodeJS.ErrnoException) => {
  console.error(NOT_LISTENING[error.code ?? ''] ?? error);
  process.exit(1);
});
server.listen(port, hostname, () => {
  const { port: heard } = server.address() as AddressInfo;
  // oxlint-disable-next-line no-console -- says where the application is
  console.log(`Wobrel listens on http://${isIPv6(hostname) ? `[${hostname}]` : hostname}:${heard}`);
});
