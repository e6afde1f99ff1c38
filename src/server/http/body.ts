/** A request's JSON, refused before it is parsed where it is too large or too deep. */
import { z } from 'zod';
import { WobrelError } from '../../core/errors';
import { inWords } from '../../core/issue-words';
import { textUpTo } from '../text-up-to';

/** Most bytes of a JSON body. */
export const MAX_JSON_BYTES = 1024 * 1024;

/** Brackets within brackets: documents need about a dozen, parsers and checks that call themselves a few thousand are harmed by. */
const MAX_JSON_DEPTH = 64;

/** The body as text; what is longer is not read to its end. */
async function textOf(request: Request): Promise<string> {
  const isTooLarge = Number(request.headers.get('content-length') ?? 0) > MAX_JSON_BYTES;
  const text = isTooLarge ? null : await textUpTo(MAX_JSON_BYTES, request);
  if (text === null) throw new WobrelError('too-large', 'The request is larger than 1 MB.');
  return text;
}

const [QUOTE, BACKSLASH] = ['"', '\\'].map((mark) => mark.charCodeAt(0));
const OPENING = new Set(['[', '{'].map((mark) => mark.charCodeAt(0)));
const CLOSING = new Set([']', '}'].map((mark) => mark.charCodeAt(0)));

/** True where the text's brackets lie deeper within each other than `most`; those within strings don't count. */
export function isDeeper(text: string, most: number): boolean {
  let [depth, inString] = [0, false];
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    if (inString) {
      if (code === BACKSLASH) i++;
      else if (code === QUOTE) inString = false;
    } else if (code === QUOTE) inString = true;
    else if (OPENING.has(code)) {
      if (++depth > most) return true;
    } else if (CLOSING.has(code)) depth--;
  }
  return false;
}

/** The answer that sets or takes away a session's cookies. */
export const withCookies = ({ cookies }: { readonly cookies: readonly string[] }): Response =>
  new Response(null, { status: 204, headers: cookies.map((cookie) => ['set-cookie', cookie] as [string, string]) });

/** The window that an event stream is for, which can send no headers. */
export const windowQuery = z.strictObject({ window: z.string().regex(/^[\w-]{1,60}$/) });

/** The request's query, checked; what is there twice counts by its last value. @throws ZodError */
export const queryOf = <S extends z.ZodType>(request: Request, schema: S): z.output<S> =>
  schema.parse(Object.fromEntries(new URL(request.url).searchParams), { error: inWords });

/**
 * The request's JSON body, checked; none is an empty object.
 *
 * @throws WobrelError `too-large` or `invalid`, ZodError where it is not what the schema says
 */
export async function bodyOf<S extends z.ZodType>(request: Request, schema: S): Promise<z.output<S>> {
  const text = await textOf(request);
  if (isDeeper(text, MAX_JSON_DEPTH)) throw new WobrelError('invalid', 'The request is nested too deeply.');
  let body: unknown;
  try {
    body = text === '' ? {} : JSON.parse(text);
  } catch {
    throw new WobrelError('invalid', 'The request is not JSON.');
  }
  return schema.parse(body, { error: inWords });
}
