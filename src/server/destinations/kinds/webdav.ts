import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { posix } from 'node:path';
import { AuthType, createClient, type WebDAVClient, type WebDAVClientError } from 'webdav';
import { z } from 'zod';
import { asideName, defineDestination, type There } from '../destination';
import { addressSchema, plainAddress, secretSchema } from '../settings-parts';
import { changedThere, lineTrouble, telling, troubleOf } from '../trouble';

/** A strong and a weak tag of the same content count as one: some servers give the weak one in a file's first second. */
const plainTag = (tag: string) => tag.replace(/^W\//, '');

/** Errors of the client, as what is to be done about them. */
function asTrouble(error: unknown): unknown {
  const { status, response } = error as WebDAVClientError;
  if (status === undefined) return lineTrouble(error);
  return troubleOf(status, '', response?.headers.get('retry-after') ?? null);
}

const addressOf = (url: string, path: string) =>
  url.replace(/\/+$/, '') + path.split('/').map(encodeURIComponent).join('/');

const call = telling(asTrouble);

type Tagged = There & { readonly tag: string };

async function lookAt(client: WebDAVClient, path: string, signal: AbortSignal): Promise<Tagged | null> {
  return call(async () => {
    const { headers } = await client
      .customRequest(path, { method: 'HEAD', signal })
      .catch((error: WebDAVClientError) => {
        if (error.status === 404) return { headers: null };
        throw error;
      });
    if (!headers) return null;
    const tag = headers.get('etag') ?? headers.get('last-modified') ?? '';
    return { bytes: Number(headers.get('content-length')), version: plainTag(tag), tag };
  });
}

/** Makes the collections that a name lies in, each once a run. */
function folderMaker(client: WebDAVClient) {
  const made = new Map<string, Promise<void>>();
  const make = (path: string, signal: AbortSignal): Promise<void> => {
    if (path === '/') return Promise.resolve();
    const known = made.get(path) ?? makeOne(path, signal);
    made.set(path, known);
    // One that could not be made is tried again with the next file.
    known.catch(() => made.delete(path));
    return known;
  };
  const makeOne = async (path: string, signal: AbortSignal): Promise<void> => {
    await make(posix.dirname(path), signal);
    await call(() =>
      client.createDirectory(path, { signal }).catch((error: WebDAVClientError) => {
        // RFC 4918 §9.3.1: it is there already.
        if (error.status !== 405) throw error;
      }),
    );
  };
  return make;
}

const isRefusedCondition = (error: unknown) => (error as WebDAVClientError).status === 412;

type Move = {
  readonly client: WebDAVClient;
  readonly from: string;
  readonly to: string;
  /** The whole of `to`'s address. */
  readonly address: string;
  /** What alone may lie there. */
  readonly over: There | null;
};

/** Moves a file to its name. @throws WobrelError `changed-there` */
async function moveOver({ client, from, to, address, over }: Move, signal: AbortSignal): Promise<void> {
  const move = (headers?: Record<string, string>) =>
    client.moveFile(from, to, { overwrite: over !== null, headers, signal });
  const there = await lookAt(client, to, signal);
  if (there?.version !== over?.version) throw changedThere(to.slice(1));
  const isUnchanged = async () => (await lookAt(client, to, signal))?.version === there?.version;
  await call(async () => {
    try {
      // RFC 4918 §10.4: only while it is what was looked at. Conditions don't take weak tags.
      await move(there?.tag.startsWith('"') ? { If: `<${address}> ([${there.tag}])` } : undefined);
    } catch (error) {
      if (!isRefusedCondition(error)) throw error;
      // Some servers know conditions for locks only, and refuse all others.
      if (over === null || !(await isUnchanged())) throw changedThere(to.slice(1));
      await move();
    }
  });
}

/** A server that speaks WebDAV (RFC 4918). Files are put aside and moved into place, so that a broken line leaves none half. */
export const webdav = defineDestination({
  kind: 'webdav',
  label: 'WebDAV',
  settings: z.strictObject({ url: addressSchema, user: z.string().optional(), password: secretSchema.optional() }),
  address: ({ url }) => plainAddress(url),
  open: ({ url, user, password }) => {
    const client = createClient(
      url,
      user === undefined ? {} : { authType: AuthType.Password, username: user, password },
    );
    const folderOf = folderMaker(client);
    const look = (name: string, signal: AbortSignal) => lookAt(client, `/${name}`, signal);
    return {
      rules: async () => null,
      look,
      digest: (name, signal) =>
        call(async () => {
          const hash = createHash('sha256');
          // The client's type is the browser's answer; in Node its body is a stream of Node's.
          const answer: unknown = await client.customRequest(`/${name}`, { method: 'GET', signal });
          for await (const chunk of (answer as { body: AsyncIterable<Buffer> }).body) hash.update(chunk);
          return hash.digest('hex');
        }),
      put: async (name, { source, bytes, sha256 }, over, signal) => {
        const path = `/${name}`;
        const folder = posix.dirname(path);
        const aside = posix.join(folder, asideName(name, sha256));
        await folderOf(folder, signal);
        const headers = { 'Content-Length': String(bytes) };
        await call(() => client.putFileContents(aside, createReadStream(source), { headers, signal }));
        try {
          await moveOver({ client, from: aside, to: path, address: addressOf(url, path), over }, signal);
        } catch (error) {
          await client.deleteFile(aside).catch(() => {});
          throw error;
        }
        const now = await look(name, signal);
        if (now?.bytes !== bytes) throw changedThere(name);
        return now.version;
      },
    };
  },
});
