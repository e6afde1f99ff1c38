/** Talking to the server: JSON in and out, errors as sentences. */
import { WINDOW } from './ids';
import { leaveFor } from './leave';

/** A refusal by the server, in its own words. */
export class ApiError extends Error {
  constructor(
    readonly code: string,
    message: string,
  ) {
    super(message);
  }
}

/** What a page says of itself: its name, so that it is not told of what it did itself, and the workspace that it shows, for the server to refuse what would land in another. */
export function pageHeaders(): Record<string, string> {
  const shown = document.querySelector<HTMLMetaElement>('meta[name=workspace]')?.content;
  return { 'x-wobrel-window': WINDOW, ...(shown === undefined ? {} : { 'x-wobrel-workspace': shown }) };
}

/** Where people sign in; they come back from there. */
function goToTheDoor(): void {
  leaveFor(`/sign-in?then=${encodeURIComponent(window.location.pathname + window.location.search)}`);
}

type ErrorBody = { error?: { code: string; message: string } };

export async function api<T>(
  path: string,
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE' = 'GET',
  body?: unknown,
): Promise<T> {
  // A form says by itself what it is.
  const isJson = body !== undefined && !(body instanceof FormData);
  const response = await fetch(path, {
    method,
    headers: { ...pageHeaders(), ...(isJson ? { 'content-type': 'application/json' } : {}) },
    body: isJson ? JSON.stringify(body) : body,
  }).catch(() => {
    throw new ApiError('offline', 'The server can’t be reached.');
  });
  // What stands between may answer for a server that can't be reached.
  if ([502, 503, 504].includes(response.status)) throw new ApiError('offline', 'The server can’t be reached.');
  if (!response.ok) {
    const { error } = (await response.json().catch(() => ({}))) as ErrorBody;
    if (error?.code === 'signed-out') goToTheDoor();
    throw new ApiError(error?.code ?? 'unexpected', error?.message ?? `The server answered ${response.status}.`);
  }
  return (response.status === 204 ? undefined : await response.json()) as T;
}
