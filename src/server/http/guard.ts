/** Who may ask: only pages of this very server, reached under a name it knows. */
import { WobrelError } from '../../core/errors';
import { setting } from '../config';

/** Host names that are answered to; WOBREL_HOSTS adds more, separated by commas. */
function knownHosts(): Set<string> {
  const more = setting('WOBREL_HOSTS')
    .split(',')
    .map((host) => host.trim().toLowerCase());
  return new Set(['127.0.0.1', 'localhost', '[::1]', ...more.filter(Boolean)]);
}

const withoutPort = (host: string) => host.toLowerCase().replace(/:\d+$/, '');

/**
 * Guards against other sites in the same browser: an unknown Host is a rebound name,
 * a foreign Origin a forged request.
 *
 * @throws WobrelError `forbidden`
 */
export function guard(headers: Headers, method: string): void {
  const host = headers.get('host') ?? '';
  if (!knownHosts().has(withoutPort(host)))
    throw new WobrelError('forbidden', `This server does not answer to the name ${host || '(none)'}.`);
  if (method === 'GET' || method === 'HEAD') return;
  const origin = headers.get('origin');
  const sameOrigin = origin !== null && URL.canParse(origin) && new URL(origin).host === host;
  // Browsers send Origin with every request that changes something; programs without one are no danger.
  const fromBrowser = origin !== null || headers.has('sec-fetch-site');
  if (fromBrowser && !sameOrigin) throw new WobrelError('forbidden', 'The request came from another site.');
}
