import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import { builtFiles } from './built-files';

const SCRIPT = 'let aScript = true;'.repeat(20);

const folder = mkdtempSync(join(tmpdir(), 'wobrel-built-'));
const built = join(folder, 'static');
mkdirSync(join(built, 'chunks'), { recursive: true });
writeFileSync(join(folder, 'secret'), 'not to be sent');
writeFileSync(join(built, 'chunks/a.js'), SCRIPT);
writeFileSync(join(built, 'chunks/a.js.br'), brotliCompressSync(SCRIPT));
const server = createServer(builtFiles(built, (request, response) => void response.end(`otherwise ${request.url}`)));
beforeAll(() => new Promise<void>((done) => server.listen(0, '127.0.0.1', done)));
afterAll(() => {
  server.close();
  rmSync(folder, { recursive: true });
});

const ask = (path: string, headers: Record<string, string> = {}) =>
  fetch(`http://127.0.0.1:${(server.address() as AddressInfo).port}${path}`, { headers });

test('a built file is sent with the headers of every answer, to be kept, and packed only for who takes that', async () => {
  for (const accepted of ['br', 'identity']) {
    const answer = await ask('/_next/static/chunks/a.js', { 'accept-encoding': accepted });
    expect(await answer.text()).toBe(SCRIPT);
    expect(answer.headers.get('content-encoding')).toBe(accepted === 'br' ? 'br' : null);
    expect(answer.headers.get('vary')).toBe('Accept-Encoding');
    expect(answer.headers.get('content-type')).toBe('text/javascript');
    expect(answer.headers.get('cache-control')).toBe('public,max-age=31536000,immutable');
    expect(answer.headers.get('x-content-type-options')).toBe('nosniff');
    expect(answer.headers.get('cross-origin-resource-policy')).toBe('same-origin');
  }
});

test.each(['/', '/_next/static/chunks/b.js', '/_next/static/..%2fsecret', '/_next/image'])(
  '%s is for Next.js, with its address as it came',
  async (path) => expect(await (await ask(path)).text()).toBe(`otherwise ${path}`),
);
