/** A shop's channel as it would be somewhere else: it has rules, wants a key, and says no in words. */
import type { IncomingMessage } from 'node:http';
import { join } from 'node:path';
import { mkdir, rename, rm } from 'node:fs/promises';
import sharp from 'sharp';
import type { Fault } from './faults';
import { keep, keptAt, LineCut, pathIn, tagOf, type Kept } from './kept-files';
import { answer, serve, type Asked, type StandIn } from './serve';

/** What this shop takes; invented. */
export const CHANNEL_RULES = {
  formats: ['jpeg', 'png', 'webp'],
  maxBytes: 500_000,
  maxWidth: 2000,
  maxHeight: 2000,
  names: { characters: 'abcdefghijklmnopqrstuvwxyz0123456789-_.', longest: 80, folders: false },
};

const digestOf = ({ sha256 }: Kept) => `sha-256=:${Buffer.from(sha256, 'hex').toString('base64')}:`;
const headersOf = (kept: Kept) => ({ etag: tagOf(kept), 'repr-digest': digestOf(kept) });

const no = ({ response }: Asked, status: number, detail: string) =>
  answer(response, status, {}, { title: 'Not taken', detail });

/** RFC 9110 §13.1: whether a change may be made to what is there. */
function mayChange({ headers }: IncomingMessage, there: Kept | null): boolean {
  if (headers['if-none-match'] === '*') return there === null;
  const wanted = headers['if-match'];
  return wanted === undefined || (there !== null && wanted === tagOf(there));
}

/** What is wrong with a file itself; the shop opens it, whatever it is called. */
async function wrongWith(path: string, kept: Kept): Promise<readonly [status: number, why: string] | null> {
  const { formats, maxBytes, maxWidth, maxHeight } = CHANNEL_RULES;
  if (kept.bytes > maxBytes) return [413, `The file has ${kept.bytes} bytes, at most ${maxBytes} are taken.`];
  const found = await sharp(path)
    .metadata()
    .catch(() => null);
  if (!found || !formats.includes(found.format)) return [415, `Only ${formats.join(', ')} are taken.`];
  if (found.width > maxWidth || found.height > maxHeight)
    return [422, `${found.width} × ${found.height} px are too many.`];
  return null;
}

async function take(asked: Asked, folder: string, name: string, fault: Fault): Promise<void> {
  const { request, response } = asked;
  const { characters, longest } = CHANNEL_RULES.names;
  const path = pathIn(folder, name);
  if (!path || name.length > longest || ![...name].every((one) => characters.includes(one)))
    return (void request.resume(), no(asked, 422, `“${name}” is no name for a file here.`));
  const there = await keptAt(path);
  if (!mayChange(request, there)) return (void request.resume(), no(asked, 412, 'Another file is there.'));
  // Looked at aside before it counts.
  const aside = join(folder, '.coming', name);
  const kept = await keep(request, aside, fault);
  const wrong = await wrongWith(aside, kept);
  const wanted = request.headers['repr-digest'];
  if (wrong || (wanted && wanted !== digestOf(kept))) {
    await rm(aside, { force: true });
    return wrong ? no(asked, wrong[0], wrong[1]) : no(asked, 400, 'The digest is another one.');
  }
  await mkdir(folder, { recursive: true });
  await rename(aside, path);
  if (fault.kind === 'mute') throw new LineCut();
  answer(response, there ? 200 : 201, headersOf(kept));
}

type Setup = {
  readonly port: number;
  /** Where it keeps its files. */
  readonly folder: string;
  readonly token: string;
};

export function startChannel({ port, folder, token }: Setup): Promise<StandIn> {
  return serve(port, async (asked, fault) => {
    const { request, response, path } = asked;
    if (request.headers.authorization !== `Bearer ${token}`)
      return (void request.resume(), no(asked, 401, 'The key is not one of this shop’s.'));
    if (path === '/rules') return answer(response, 200, {}, CHANNEL_RULES);
    const name = /^\/files\/(.+)$/.exec(path)?.[1];
    if (name === undefined) return (void request.resume(), no(asked, 404, 'There is nothing here.'));
    if (request.method === 'PUT') return take(asked, folder, decodeURIComponent(name), fault);
    const at = pathIn(folder, name);
    const kept = at && (await keptAt(at));
    if (!kept) return answer(response, 404);
    answer(response, 200, { ...headersOf(kept), 'content-length': kept.bytes });
  });
}
