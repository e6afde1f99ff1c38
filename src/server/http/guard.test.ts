import { guard } from './guard';

const ask = (headers: Record<string, string>, method = 'POST') => guard(new Headers(headers), method);
const host = '127.0.0.1:4310';

test.each(['127.0.0.1:4310', 'localhost:4310', 'LOCALHOST', '[::1]:4310'])('answers to %s', (name) => {
  expect(() => ask({ host: name }, 'GET')).not.toThrow();
});

test.each(['evil.example', 'evil.example:4310', '127.0.0.1.evil.example', ''])('does not answer to %j', (name) => {
  expect(() => ask(name ? { host: name } : {}, 'GET')).toThrow(/does not answer/);
});

test('takes changes from its own pages and from programs, not from other sites', () => {
  expect(() => ask({ host, origin: 'http://127.0.0.1:4310', 'sec-fetch-site': 'same-origin' })).not.toThrow();
  expect(() => ask({ host })).not.toThrow();
  expect(() => ask({ host, origin: 'http://evil.example' })).toThrow(/another site/);
  expect(() => ask({ host, origin: 'http://127.0.0.1:9999' })).toThrow(/another site/);
  expect(() => ask({ host, origin: 'null' })).toThrow(/another site/);
  expect(() => ask({ host, 'sec-fetch-site': 'cross-site' })).toThrow(/another site/);
});
