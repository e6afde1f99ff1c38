/** One file to its destination: what is there already is kept, what is not ours is not touched, and a broken line is tried again. */
import pRetry from 'p-retry';
import { WobrelError } from '../../core/errors';
import type { Sent, There, Way } from './destination';
import { fileRefused, TryLater } from './trouble';

export type SendOptions = {
  /** The version that an earlier upload left under this name; null where there was none. */
  readonly known: string | null;
  /** Whether a file that came from elsewhere may be replaced, too. */
  readonly replace: boolean;
  /** Ends it. */
  readonly signal: AbortSignal;
  readonly pauses?: Pauses;
  /** Most time of one try for so many bytes, ms. */
  readonly limit?: (bytes: number) => number;
};

/** Between two tries, ms: each twice the one before, up to the longest. */
export type Pauses = { readonly tries: number; readonly first: number; readonly longest: number };
const PAUSES: Pauses = { tries: 6, first: 500, longest: 20_000 };

/** Whether the file itself was sent, or lay there just so. */
export type Outcome = { readonly state: 'sent' | 'kept'; readonly version: string };

/** Bytes a second that a line has at least; slower ones are broken. */
const SLOWEST = 20_000;
const timeLimit = (bytes: number) => 60_000 + Math.ceil((bytes / SLOWEST) * 1000);

async function isSame(way: Way, name: string, file: Sent, there: There, signal: AbortSignal): Promise<boolean> {
  return there.bytes === file.bytes && (await way.digest(name, signal)) === file.sha256;
}

async function sendOnce(way: Way, name: string, file: Sent, { known, replace, signal }: SendOptions): Promise<Outcome> {
  const there = await way.look(name, signal);
  // A file that a broken try left whole is found here, too: nothing is sent twice.
  if (there && (await isSame(way, name, file, there, signal))) return { state: 'kept', version: there.version };
  if (there && !replace && there.version !== known)
    throw fileRefused('another file of this name is there that did not come from here');
  return { state: 'sent', version: await way.put(name, file, there, signal) };
}

/** One try. Clients say in their own ways that they were aborted: which signal did it is known here. */
async function tryOnce(way: Way, name: string, file: Sent, options: SendOptions): Promise<Outcome> {
  const { signal: ended, limit = timeLimit } = options;
  const timeout = AbortSignal.timeout(limit(file.bytes));
  try {
    return await sendOnce(way, name, file, { ...options, signal: AbortSignal.any([ended, timeout]) });
  } catch (error) {
    if (timeout.aborted && !ended.aborted) throw new TryLater('The destination took too long.');
    throw error;
  }
}

const pause = (ms: number, signal: AbortSignal) =>
  new Promise<void>((resolve) => {
    const timer = setTimeout(resolve, ms);
    signal.addEventListener('abort', () => (clearTimeout(timer), resolve()), { once: true });
  });

/** Does it again, with growing pauses, while it fails for what may be over soon. */
export async function patiently<T>(work: () => Promise<T>, signal: AbortSignal, pauses: Pauses = PAUSES): Promise<T> {
  const { tries, first, longest } = pauses;
  const isSoonOver = (error: unknown) =>
    error instanceof TryLater || (error instanceof WobrelError && error.code === 'changed-there');
  return pRetry(work, {
    retries: tries - 1,
    minTimeout: first,
    maxTimeout: longest,
    factor: 2,
    signal,
    shouldRetry: ({ error }) => isSoonOver(error),
    onFailedAttempt: async ({ error }) => {
      // The destination knows better than we do, within reason.
      if (error instanceof TryLater && error.afterMs !== null) await pause(Math.min(error.afterMs, longest), signal);
    },
  });
}

/**
 * Sends a file, whole or not at all, and once.
 *
 * @throws TryLater after all tries, WobrelError `file-refused`, `destination-refuses` or `changed-there`
 */
export const sendFile = (way: Way, name: string, file: Sent, options: SendOptions): Promise<Outcome> =>
  patiently(() => tryOnce(way, name, file, options), options.signal, options.pauses);
