/** Starts the built application: `node dist/serve.mjs`, at HOST and PORT. */
import next from 'next';
import { createServer } from 'node:http';
import { builtFiles, refusalOf } from './server/http';
import { PLACE_HEADER } from './server/people';

const hostname = process.env.HOST ?? '127.0.0.1';
const port = Number(process.env.PORT ?? 4310);

/** Uploads over a bad line take their time, ms. */
const REQUEST_TIMEOUT = 60 * 60 * 1000;
/** Idle connections are kept as long, ms: longer than clients keep theirs. */
const KEEP_ALIVE = 5 * 60 * 1000;

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
  console.error(error.code === 'EADDRINUSE' ? `Port ${port} is taken already: set PORT to another one.` : error);
  process.exit(1);
});
// eslint-disable-next-line no-console -- says where the application is
server.listen(port, hostname, () => console.log(`Wobrel listens on http://${hostname}:${port}`));
