import { createReadStream } from 'node:fs';
import { Readable } from 'node:stream';
import { z } from 'zod';
import { defineDestination, type There } from '../destination';
import { rulesSchema } from '../rules';
import { textUpTo } from '../../text-up-to';
import { addressSchema, plainAddress, secretSchema } from '../settings-parts';
import { changedThere, destinationRefuses, lineTrouble, troubleOf } from '../trouble';

/** Most characters of a reason that are told. */
const LONGEST_REASON = 300;

/** Most bytes of an answer that are read. */
const MAX_ANSWER_BYTES = 64 * 1024;

/** An answer's JSON; null where it is none, or too long. */
async function jsonOf(response: Response): Promise<unknown> {
  try {
    return JSON.parse((await textUpTo(MAX_ANSWER_BYTES, response)) ?? 'null');
  } catch {
    return null;
  }
}

/** A member that is no text counts as missing (RFC 9457 §3.1). */
const wordsSchema = z.string().catch('');
const problemSchema = z.object({ detail: wordsSchema, title: wordsSchema });

/** RFC 9457: why, in words. */
async function reasonOf(response: Response): Promise<string> {
  const { data } = problemSchema.safeParse(await jsonOf(response));
  return (data?.detail || data?.title || '').slice(0, LONGEST_REASON);
}

type Sent = Omit<RequestInit, 'headers'> & {
  readonly duplex?: 'half';
  readonly headers?: Readonly<Record<string, string>>;
};

/** RFC 9530: the content's digest, base64 between colons. */
const digestHeader = (sha256: string) => `sha-256=:${Buffer.from(sha256, 'hex').toString('base64')}:`;

function digestOf(headers: Headers): string {
  const base64 = /(?:^|[\s,])sha-256=:([A-Za-z0-9+/=]+):/.exec(headers.get('repr-digest') ?? '')?.[1];
  if (!base64) throw destinationRefuses('The shop channel does not say the digest of its files.');
  return Buffer.from(base64, 'base64').toString('hex');
}

const pathOf = (name: string) => `/files/${name.split('/').map(encodeURIComponent).join('/')}`;

/**
 * A shop's channel, over plain HTTP: `GET rules`, and files by `HEAD` and `PUT` with preconditions (RFC 9110 §13)
 * and digests (RFC 9530); refusals are problems in words (RFC 9457). The stand-in in src/stand-ins answers so.
 */
export const channel = defineDestination({
  kind: 'channel',
  label: 'Shop channel',
  settings: z.strictObject({ url: addressSchema, token: secretSchema }),
  address: ({ url }) => plainAddress(url),
  open: ({ url, token }) => {
    const ask = async (path: string, signal: AbortSignal, init: Sent = {}) => {
      const headers = { authorization: `Bearer ${token}`, ...init.headers };
      try {
        return await fetch(url.replace(/\/+$/, '') + path, { ...init, headers, signal, redirect: 'error' });
      } catch (error) {
        throw lineTrouble(error);
      }
    };
    const orTrouble = async (response: Response) => {
      if (response.ok) return response;
      throw troubleOf(response.status, await reasonOf(response), response.headers.get('retry-after'));
    };
    const head = async (name: string, signal: AbortSignal) => {
      const response = await ask(pathOf(name), signal, { method: 'HEAD' });
      return response.status === 404 ? null : (await orTrouble(response)).headers;
    };
    return {
      rules: async (signal) => {
        const answer = await orTrouble(await ask('/rules', signal));
        const read = rulesSchema.safeParse(await jsonOf(answer));
        if (!read.success) throw destinationRefuses('The shop channel’s rules can’t be read.');
        return read.data;
      },
      look: async (name, signal): Promise<There | null> => {
        const headers = await head(name, signal);
        return headers && { bytes: Number(headers.get('content-length')), version: headers.get('etag') ?? '' };
      },
      digest: async (name, signal) => {
        const headers = await head(name, signal);
        return headers ? digestOf(headers) : '';
      },
      put: async (name, { source, bytes, sha256, type }, over, signal) => {
        const response = await ask(pathOf(name), signal, {
          method: 'PUT',
          headers: {
            'content-type': type,
            'content-length': String(bytes),
            'repr-digest': digestHeader(sha256),
            ...(over ? { 'if-match': over.version } : { 'if-none-match': '*' }),
          },
          body: Readable.toWeb(createReadStream(source)) as BodyInit,
          duplex: 'half',
        });
        if (response.status === 412) throw changedThere(name);
        const { headers, body } = await orTrouble(response);
        // Nothing in it is of use, and the line is free for the next file.
        await body?.cancel();
        return headers.get('etag') ?? '';
      },
    };
  },
});
