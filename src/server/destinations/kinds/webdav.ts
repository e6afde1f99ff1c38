import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { posix } from 'node:path';
import { AuthType, createClient, type WebDAVClient, type WebDAVClientError } from 'webdav';
import { z } from 'zod';
import { WobrelError } from '../../../core/errors';
import { defineDestination, type There } from '../destination';
import { addressSchema, plainAddress, secretSchema } from '../settings-parts';
import { lineTrouble, troubleOf } from '../trouble';

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

const changedThere = (name: string) => new WobrelError('changed-there', `${name} was changed there meanwhile.`);

/** The client's calls, each with its trouble told alike. */
async function call<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    throw asTrouble(error);
  }
}

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
        // The same for the same file: what a killed run left is written over, not left beside.
        const aside = posix.join(folder, `.wobrel-${createHash('sha256').update(name).update(sha256).digest('hex').slice(0, 16)}.part`); // prettier-ignore
        await folderOf(folder, signal);
        const headers = { 'Content-Length': String(bytes) };
        await call(() => client.putFileContents(aside, createReadStream(source), { headers, signal }));
        try {
          const there = await look(name, signal);
          if (there?.version !== over?.version) throw changedThere(name);
          const isStrong = there !== null && there.tag.startsWith('"');
          // RFC 4918 §10.4: only while it is what was looked at.
          const only = isStrong ? { If: `<${addressOf(url, path)}> ([${there.tag}])` } : undefined;
          await call(() => client.moveFile(aside, path, { overwrite: over !== null, headers: only, signal }));
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
