/** What may go wrong on the way to a destination, by what is to be done about it. */
import { WobrelError } from '../../core/errors';

/** Something that may be over soon: a server that is busy, a line that broke. */
export class TryLater extends WobrelError {
  /** @param afterMs how long to wait at least, as the destination says; null where it doesn't */
  constructor(
    message: string,
    readonly afterMs: number | null = null,
  ) {
    super('try-later', message);
  }
}

/** This file is not taken; others may be. */
export const fileRefused = (why: string) => new WobrelError('file-refused', why);

/** Nothing more is taken: wrong keys, or no room. */
export const destinationRefuses = (why: string) => new WobrelError('destination-refuses', why);

/** Something else lies there than what was looked at: it has to be looked at once more. */
export const changedThere = (name: string) => new WobrelError('changed-there', `${name} was changed there meanwhile.`);

/** Runs a client's calls, and throws its errors as what is to be done about them. */
export const telling =
  (asTrouble: (error: unknown) => unknown) =>
  async <T>(work: () => Promise<T>): Promise<T> => {
    try {
      return await work();
    } catch (error) {
      throw asTrouble(error);
    }
  };

/** RFC 9110 §10.2.3: seconds, or a date. */
function waitOf(retryAfter: string | null): number | null {
  if (retryAfter === null) return null;
  const seconds = Number(retryAfter);
  const ms = Number.isFinite(seconds) ? seconds * 1000 : Date.parse(retryAfter) - Date.now();
  return Number.isFinite(ms) ? Math.max(0, ms) : null;
}

/** Answers that may be another one soon: RFC 9110 §15.5.9 and §15.6, RFC 6585 §4, RFC 8470 §5.2. */
const SOON = new Set([408, 425, 429, 500, 502, 503, 504]);

/**
 * What an answer that is no success means.
 *
 * @param said what the destination gives as its reason
 */
export function troubleOf(status: number, said = '', retryAfter: string | null = null): WobrelError {
  const why = said ? `: ${said}` : '';
  if (SOON.has(status)) return new TryLater(`The destination answered ${status}${why}.`, waitOf(retryAfter));
  if (status === 401 || status === 403)
    return destinationRefuses(`The destination does not let Wobrel in (${status})${why}: see its keys in the list of destinations.`); // prettier-ignore
  // RFC 4918 §11.5.
  if (status === 507) return destinationRefuses(`The destination has no room left${why}.`);
  return fileRefused(said || `The destination answered ${status}.`);
}

/** Errors of the line, not of the answer, as Node names them. */
const OF_THE_LINE =
  /^(?:E(?:CONN\w+|PIPE|TIMEDOUT|AI_AGAIN|HOSTUNREACH|NETUNREACH|NOTFOUND)|UND_ERR_\w+|ERR_STREAM_PREMATURE_CLOSE)$/;

/** The codes of an error and of what lies under it. */
function codesOf(error: unknown): string[] {
  if (typeof error !== 'object' || error === null) return [];
  const { code, cause, name, errors = [] } = error as NodeJS.ErrnoException & { errors?: readonly unknown[] };
  return [String(code ?? ''), name, ...errors.flatMap(codesOf), ...codesOf(cause)];
}

/** The error of a request that got no answer; others pass unchanged. */
export function lineTrouble(error: unknown): unknown {
  if (error instanceof WobrelError) return error;
  const codes = codesOf(error);
  if (codes.includes('TimeoutError')) return new TryLater('The destination took too long.');
  const code = codes.find((one) => OF_THE_LINE.test(one));
  // What `fetch` and its kin say where a line breaks in the middle of an answer.
  const isBroken = code || /fetch failed|terminated/.test(String((error as Error)?.message));
  return isBroken ? new TryLater(`The destination can’t be reached${code ? ` (${code})` : ''}.`) : error;
}
