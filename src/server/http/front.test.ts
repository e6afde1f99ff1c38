import { refusalOf } from './front';

const ask = (method: string, url: string, host = '127.0.0.1:4310') => refusalOf({ method, url, headers: { host } })?.status ?? null; // prettier-ignore

test.each([
  ['GET', '/api/batches/%E0%A4%A', 400],
  ['GET', '/%', 400],
  ['TRACE', '/api/batches', 405],
  ['PROPFIND', '/', 405],
  ['POST', '/_next/static/chunks/a.js', 405],
  ['HEAD', '/_next/static/chunks/a.js', null],
  ['GET', '/api/batches?name=100%25', null],
  ['POST', '/api/batches', null],
])('%s %s is answered by %s', (method, url, status) => {
  expect(ask(method, url)).toBe(status);
});

test('no address is answered under another name, files of the application neither', () => {
  for (const url of ['/', '/_next/static/chunks/a.js', '/fonts/lobster/latin.woff2', '/api/batches'])
    expect(ask('GET', url, 'evil.example')).toBe(403);
});
