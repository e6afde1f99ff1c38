/** A small WebDAV server (RFC 4918), with preconditions; a broken line leaves half a file, as with the simplest of them. */
import { createReadStream } from 'node:fs';
import { mkdir, readdir, rename, rm, stat } from 'node:fs/promises';
import { basename, dirname } from 'node:path';
import { keep, keptAt, LineCut, pathIn, tagOf } from './kept-files';
import { answer, serve, type Asked, type StandIn } from './serve';
import type { Fault } from './faults';

const isFolder = async (path: string) => (await stat(path).catch(() => null))?.isDirectory() ?? false;

type Method = (asked: Asked, path: string, root: string, fault: Fault) => Promise<void>;

const read: Method = async ({ request, response }, path) => {
  const kept = await keptAt(path);
  if (!kept) return answer(response, 404);
  response.writeHead(200, { etag: tagOf(kept), 'content-length': kept.bytes });
  if (request.method === 'HEAD') return void response.end();
  createReadStream(path).pipe(response);
};

/** One resource of a list (RFC 4918 §14.24). */
async function resourceAt(href: string, path: string): Promise<string> {
  const kept = await keptAt(path);
  const kind = kept
    ? `<d:resourcetype/><d:getcontentlength>${kept.bytes}</d:getcontentlength><d:getetag>${tagOf(kept).replaceAll('"', '&quot;')}</d:getetag>`
    : '<d:resourcetype><d:collection/></d:resourcetype>';
  return `<d:response><d:href>${href}</d:href><d:propstat><d:prop>${kind}</d:prop><d:status>HTTP/1.1 200 OK</d:status></d:propstat></d:response>`;
}

const list: Method = async ({ request, response, path: href }, path) => {
  if (!(await isFolder(path)) && !(await keptAt(path))) return answer(response, 404);
  const inside = request.headers.depth === '0' ? [] : await readdir(path).catch(() => []);
  const base = href.replace(/\/?$/, '/');
  const all = await Promise.all([
    resourceAt(href, path),
    ...inside.map((name) => resourceAt(base + encodeURIComponent(name), `${path}/${name}`)),
  ]);
  response.writeHead(207, { 'content-type': 'application/xml; charset=utf-8' });
  response.end(`<?xml version="1.0" encoding="utf-8"?><d:multistatus xmlns:d="DAV:">${all.join('')}</d:multistatus>`);
};

const put: Method = async ({ request, response }, path, _root, fault) => {
  const there = await keptAt(path);
  const { 'if-match': match, 'if-none-match': noneMatch } = request.headers;
  const refuse = (status: number) => (request.resume(), answer(response, status));
  if (noneMatch === '*' && there) return refuse(412);
  if (match !== undefined && (!there || match !== tagOf(there))) return refuse(412);
  // §9.7.1: folders are not made by themselves.
  if (!(await isFolder(dirname(path)))) return refuse(409);
  const kept = await keep(request, path, fault, true);
  if (fault.kind === 'mute') throw new LineCut();
  answer(response, there ? 204 : 201, { etag: tagOf(kept) });
};

const makeFolder: Method = async ({ response }, path) => {
  if (await stat(path).catch(() => null)) return answer(response, 405);
  if (!(await isFolder(dirname(path)))) return answer(response, 409);
  await mkdir(path);
  answer(response, 201);
};

/** The tag that an `If` header wants of a resource (§10.4.2), where it says one. */
const wantedTag = (header: string | undefined) => /\(\[("[^"]*")\]\)/.exec(header ?? '')?.[1] ?? null;

const move: Method = async ({ request, response }, path, root) => {
  const to = pathIn(root, new URL(String(request.headers.destination)).pathname);
  if (!to || !(await keptAt(path))) return answer(response, to ? 404 : 400);
  const there = await keptAt(to);
  const wanted = wantedTag(request.headers.if as string | undefined);
  if (wanted !== null && (!there || tagOf(there) !== wanted)) return answer(response, 412);
  if (there && request.headers.overwrite === 'F') return answer(response, 412);
  await rename(path, to);
  answer(response, there ? 204 : 201);
};

const remove: Method = async ({ response }, path) => {
  await rm(path, { recursive: true, force: true });
  answer(response, 204);
};

const METHODS: Readonly<Record<string, Method>> = { GET: read, HEAD: read, PROPFIND: list, PUT: put, MKCOL: makeFolder, MOVE: move, DELETE: remove }; // prettier-ignore

type Setup = {
  readonly port: number;
  readonly folder: string;
  /** Name and password, where it wants them. */
  readonly user?: readonly [string, string];
  /** Some servers know the conditions of `If` for locks only, and refuse all others. */
  readonly refusesConditions?: boolean;
};

export function startWebdav({ port, folder, user, refusesConditions = false }: Setup): Promise<StandIn> {
  const key = user && `Basic ${Buffer.from(user.join(':')).toString('base64')}`;
  return serve(port, async (asked, fault) => {
    const { request, response, path: address } = asked;
    if (key && request.headers.authorization !== key)
      return (void request.resume(), answer(response, 401, { 'www-authenticate': 'Basic realm="stand-in"' }));
    const path = address === '/' ? folder : pathIn(folder, address.replace(/\/+$/, ''));
    const method = METHODS[request.method ?? ''];
    if (!path || basename(path) === '') return (void request.resume(), answer(response, 400));
    if (!method) return (void request.resume(), answer(response, 405));
    if (refusesConditions && request.headers.if) return answer(response, 412);
    await method(asked, path, folder, fault);
  });
}
