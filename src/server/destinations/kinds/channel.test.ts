/** What a channel says when it refuses: RFC 9457 in odd forms. The stand-in's own words are in ../send-file.test.ts. */
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { channel } from './channel';

const signal = new AbortController().signal;
let body = '';
const server = createServer((_, response) => {
  response.writeHead(403, { 'content-type': 'application/problem+json' }).end(body);
});
beforeAll(() => new Promise<void>((resolve) => void server.listen(0, '127.0.0.1', resolve)));
afterAll(() => server.close());

test.each([
  ['{"title":"Forbidden","detail":"The shelf is full."}', /The shelf is full\./],
  ['{"title":"The shelf is shut."}', /The shelf is shut\./],
  ['{"title":"The shelf is shut.","detail":{"code":7}}', /The shelf is shut\./],
  ['{"title":["no"],"detail":"The shelf is full."}', /The shelf is full\./],
  ['[1]', /403/],
  ['<html>', /403/],
])('of %s the words are told', async (answer, said) => {
  body = answer;
  const { port } = server.address() as AddressInfo;
  const way = await channel.open({ url: `http://127.0.0.1:${port}`, token: 'key' });
  await expect(way.rules(signal)).rejects.toMatchObject({ message: expect.stringMatching(said) });
});

test('an answer that never ends is let go', async () => {
  let taken = 0;
  const endless = createServer((_, response) => {
    response.writeHead(403, { 'content-type': 'application/problem+json' });
    // Pieces follow each other only as they are taken.
    const more = () =>
      void (response.destroyed || response.write(' '.repeat(65_536), () => ((taken += 65_536), more())));
    more();
  });
  await new Promise<void>((resolve) => void endless.listen(0, '127.0.0.1', resolve));
  const { port } = endless.address() as AddressInfo;
  const way = await channel.open({ url: `http://127.0.0.1:${port}`, token: 'key' });
  await expect(way.rules(signal)).rejects.toMatchObject({ message: expect.stringMatching(/403/) });
  // What lines and streams hold by themselves is well below that.
  expect(taken).toBeLessThan(32 * 1024 * 1024);
  endless.closeAllConnections();
  endless.close();
});
