/**
 * Every kind of destination against a server of its kind: the folder against the disk, S3 against s3rver (a package of
 * its own), WebDAV and the shop channel against the stand-ins, which src/stand-ins checks with other clients.
 */
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import S3rver from 's3rver';
import sharp from 'sharp';
import { sha256Of } from '../store';
import { startChannel } from '../../stand-ins/channel';
import { startWebdav } from '../../stand-ins/webdav';
import type { StandIn } from '../../stand-ins/serve';
import type { Sent, Way } from './destination';
import { openDestination } from './settings';
import { sendFile, type Pauses, type SendOptions } from './send-file';
import { filesIn as pathsIn } from '../store';

const folder = mkdtempSync(join(tmpdir(), 'wobrel-destinations-'));
const here = { files: pathsIn(folder) };
const at = (...parts: string[]) => join(folder, ...parts);
mkdirSync(at('out'));

const SHORT: Pauses = { tries: 4, first: 1, longest: 4 };
const signal = new AbortController().signal;
const send = (way: Way, name: string, file: Sent, options: Partial<SendOptions> = {}) =>
  sendFile(way, name, file, { known: null, replace: false, signal, pauses: SHORT, ...options });

/** A picture of its own, noisy enough for a line to break in its middle. */
async function picture(name: string, seed: number): Promise<Sent> {
  const pixels = Uint8Array.from({ length: 200 * 150 * 3 }, (_, i) => (i * 2654435761 * (seed + 1)) >>> 24);
  const data = await sharp(pixels, { raw: { width: 200, height: 150, channels: 3 } })
    .png()
    .toBuffer();
  writeFileSync(at(name), data);
  return { source: at(name), bytes: data.length, sha256: sha256Of(data), type: 'image/png' };
}

let first: Sent, second: Sent;
let dav: StandIn, plainDav: StandIn, shop: StandIn;
let s3: S3rver;

beforeAll(async () => {
  [first, second] = await Promise.all([picture('first.png', 1), picture('second.png', 2)]);
  for (const name of ['dav', 'plain', 'shop']) mkdirSync(at(name));
  dav = await startWebdav({ port: 0, folder: at('dav'), user: ['mia', 'kiln & clay'] });
  plainDav = await startWebdav({ port: 0, folder: at('plain'), refusesConditions: true });
  shop = await startChannel({ port: 0, folder: at('shop'), token: 'key' });
  s3 = new S3rver({ port: 0, silent: true, directory: at('s3'), configureBuckets: [{ name: 'shelf', configs: [] }] });
  const { port } = await s3.run();
  process.env.WOBREL_TEST_KEY = 'key';
  writeFileSync(
    at('destinations.json'),
    JSON.stringify({
      destinations: [
        { name: 'disk', kind: 'folder', path: at('out') },
        { name: 'dav', kind: 'webdav', url: dav.url, user: 'mia', password: 'kiln & clay' },
        { name: 'plain dav', kind: 'webdav', url: plainDav.url },
        { name: 's3', kind: 's3', endpoint: `http://127.0.0.1:${port}`, bucket: 'shelf', prefix: 'cut/', keyId: 'S3RVER', secret: 'S3RVER' },
        { name: 'shop', kind: 'channel', url: shop.url, token: { env: 'WOBREL_TEST_KEY' } },
      ],
    }),
  ); // prettier-ignore
});
afterAll(async () => {
  await Promise.all([dav.close(), plainDav.close(), shop.close(), s3.close()]);
  rmSync(folder, { recursive: true });
});

describe.each(['disk', 'dav', 'plain dav', 's3', 'shop'])('%s', (kind) => {
  const name = kind === 'shop' ? 'mug.png' : 'autumn shelf/50% #1 é.png';
  let way: Way;
  beforeAll(async () => {
    way = await openDestination(here, kind);
  });

  test('a file is sent whole, and found there the next time', async () => {
    expect(await way.look(name, signal)).toBeNull();
    const { state, version } = await send(way, name, first);
    expect(state).toBe('sent');
    expect(await way.look(name, signal)).toMatchObject({ bytes: first.bytes, version });
    expect(await way.digest(name, signal)).toBe(first.sha256);
    expect(await send(way, name, first)).toEqual({ state: 'kept', version });
  });

  test('another file of the name takes its place only where that came from here, or is told to', async () => {
    await expect(send(way, name, second)).rejects.toMatchObject({ code: 'file-refused' });
    expect(await way.digest(name, signal)).toBe(first.sha256);
    const { version: known } = (await way.look(name, signal))!;
    const { state, version } = await send(way, name, second, { known });
    expect([state, await way.digest(name, signal)]).toEqual(['sent', second.sha256]);
    expect(version).not.toBe(known);
    await expect(send(way, name, first, { known })).rejects.toMatchObject({ code: 'file-refused' });
    expect((await send(way, name, first, { replace: true })).state).toBe('sent');
    expect(await way.digest(name, signal)).toBe(first.sha256);
  });

  test('a version that is not there any more is not replaced', async () => {
    const there = (await way.look(name, signal))!;
    await expect(way.put(name, second, { ...there, version: '"other"' }, signal)).rejects.toMatchObject({
      code: 'changed-there',
    });
    await expect(way.put(name, second, null, signal)).rejects.toMatchObject({ code: 'changed-there' });
    expect(await way.digest(name, signal)).toBe(first.sha256);
  });
});

/** All files of a folder but for what its server keeps aside. */
const filesIn = (path: string) => readdirSync(path, { recursive: true, withFileTypes: true }).filter((one) => one.isFile()).map((one) => one.name).sort(); // prettier-ignore

describe.each(['dav', 'shop'])('%s, when it does not do as it should', (kind) => {
  const server = () => (kind === 'dav' ? dav : shop);
  const keptFolder = () => at(kind);
  let way: Way;
  beforeAll(async () => {
    way = await openDestination(here, kind);
  });
  beforeEach(() => {
    rmSync(keptFolder(), { recursive: true });
    mkdirSync(keptFolder());
  });
  afterEach(() => server().setFault({ kind: 'none', pauseMs: 0 }));

  test.each(['slow', 'error', 'busy', 'cut', 'mute'] as const)(
    '%s for a while: the file is there once, whole',
    async (fault) => {
      server().setFault({ kind: fault, count: 2, pauseMs: 1 });
      const { state } = await send(way, 'a.png', first);
      expect(['sent', 'kept']).toContain(state);
      expect(filesIn(keptFolder())).toEqual(['a.png']);
      expect(sha256Of(readFileSync(join(keptFolder(), 'a.png')))).toBe(first.sha256);
    },
  );

  test.each(['error', 'busy', 'cut'] as const)(
    '%s for ever: it is given up with a sentence, and nothing half is there',
    async (fault) => {
      server().setFault({ kind: fault, pauseMs: 0 });
      await expect(send(way, 'a.png', first)).rejects.toMatchObject({ code: 'try-later' });
      expect(filesIn(keptFolder()).filter((name) => !name.endsWith('.part'))).toEqual([]);
      server().setFault({ kind: 'none', pauseMs: 0 });
      expect((await send(way, 'a.png', first)).state).toBe('sent');
      expect(filesIn(keptFolder())).toEqual(['a.png']);
    },
  );

  test('full: nothing more is tried', async () => {
    server().setFault({ kind: 'full', pauseMs: 0 });
    await expect(send(way, 'a.png', first)).rejects.toMatchObject({ code: 'destination-refuses', message: expect.stringMatching(/no room/) }); // prettier-ignore
  });
});

test('told to end, it ends at once, pauses included', async () => {
  const way = await openDestination(here, 'dav');
  dav.setFault({ kind: 'error', pauseMs: 0 });
  const ender = new AbortController();
  const sending = sendFile(way, 'a.png', first, { known: null, replace: false, signal: ender.signal });
  ender.abort();
  await expect(sending).rejects.toThrow();
  dav.setFault({ kind: 'none', pauseMs: 0 });
});

test.each(['dav', 's3', 'shop'])('%s: one that never answers is tried again, and told as too slow', async (kind) => {
  const way = await openDestination(here, kind);
  const stuck: Way = {
    ...way,
    put: (name, file, over, ended) => {
      // The client's own way of saying that it was aborted.
      return new Promise<string>((resolve) => ended.addEventListener('abort', () => resolve(''))).then(() =>
        way.put(name, file, over, ended),
      );
    },
  };
  await expect(send(stuck, 'slow.png', first, { limit: () => 50 })).rejects.toMatchObject({
    code: 'try-later',
    message: 'The destination took too long.',
  });
});

test('nobody there, and a wrong key, are told apart', async () => {
  const closed = await startWebdav({ port: 0, folder });
  await closed.close();
  writeFileSync(
    at('destinations.json'),
    JSON.stringify({
      destinations: [
        { name: 'gone', kind: 'webdav', url: closed.url },
        { name: 'wrong', kind: 'channel', url: shop.url, token: 'other' },
        { name: 'no folder', kind: 'folder', path: at('nowhere') },
      ],
    }),
  );
  const sent = async (name: string) => send(await openDestination(here, name), 'a.png', first);
  await expect(sent('gone')).rejects.toMatchObject({
    code: 'try-later',
    message: expect.stringMatching(/can’t be reached/),
  });
  await expect(sent('wrong')).rejects.toMatchObject({
    code: 'destination-refuses',
    message: expect.stringMatching(/let Wobrel in/),
  });
  await expect(sent('no folder')).rejects.toMatchObject({
    code: 'destination-refuses',
    message: expect.stringMatching(/is not there/),
  });
});
