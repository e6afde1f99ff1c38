/** The scripts, styles and fonts of the built pages, past Next.js: it takes milliseconds of the server's thread for each, and a page has fifty. */
import sirv from 'sirv';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { ANSWER_HEADERS } from './security';

const AT = '/_next/static';
const YEAR = 365 * 24 * 60 * 60;

/**
 * Answers with a built file where the request asks for one that there is. Their names tell their
 * content, so browsers may keep them; packed ones (scripts/pack-built.mjs) go to those who take them.
 *
 * @param folder of the build, as Next.js lays it out; listed once
 * @param otherwise answers all else
 */
export function builtFiles(
  folder: string,
  otherwise: (request: IncomingMessage, response: ServerResponse) => void,
): (request: IncomingMessage, response: ServerResponse) => void {
  const send = sirv(folder, {
    brotli: true,
    maxAge: YEAR,
    immutable: true,
    setHeaders: (response) => {
      for (const [name, value] of Object.entries(ANSWER_HEADERS)) response.setHeader(name, value);
    },
  });
  return (request, response) => {
    const { url = '' } = request;
    if (!url.startsWith(`${AT}/`)) return otherwise(request, response);
    request.url = url.slice(AT.length);
    send(request, response, () => {
      request.url = url;
      otherwise(request, response);
    });
  };
}
