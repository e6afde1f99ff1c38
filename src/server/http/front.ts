/** What is refused before a request reaches the application: what its own server would answer in other forms. */
import type { IncomingMessage } from 'node:http';
import { WobrelError } from '../../core/errors';
import { guard } from './guard';

const READING = new Set(['GET', 'HEAD']);
const METHODS = new Set([...READING, 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS']);

/** What is done by as which method: the files of the built pages are only read. */
const isPossible = (method: string, url: string): boolean =>
  (url.startsWith('/_next/') ? READING : METHODS).has(method);

function isWellFormed(url: string): boolean {
  try {
    decodeURIComponent(url.split('?', 1)[0]!);
    return URL.canParse(url, 'http://here');
  } catch {
    return false;
  }
}

/**
 * Why a request is not let in; null where it is. The Host is checked of every address, files of the application included.
 *
 * @returns the error and its status
 */
export function refusalOf({ method = '', url = '', headers }: Pick<IncomingMessage, 'method' | 'url' | 'headers'>): {
  readonly status: number;
  readonly error: WobrelError;
} | null {
  if (!isPossible(method, url))
    return { status: 405, error: new WobrelError('method', `${method} is not possible here.`) };
  if (!isWellFormed(url)) return { status: 400, error: new WobrelError('invalid', 'The address is not well-formed.') };
  try {
    guard(new Headers({ host: headers.host ?? '' }), 'GET');
    return null;
  } catch (error) {
    return { status: 403, error: error as WobrelError };
  }
}
