/** Changes of photos on their way to the server: one request at a time, in the order in which they were made. */
import { joinedChanges } from '@/core/table';
import type { PhotoChange } from '@/server/services';
import { isOffline, lineBack } from '../shared/line';

type Send = (changes: readonly PhotoChange[]) => Promise<unknown>;

/** Most changes that a request takes. */
const MOST = 20_000;

/** Most letters of them: a request may have a megabyte, and a letter takes up to three bytes. */
const MOST_LETTERS = 300_000;

/** The first changes that go in one request, and the others. */
function firstOf(changes: readonly PhotoChange[]): [now: PhotoChange[], later: PhotoChange[]] {
  let letters = 0;
  const over = changes.findIndex((change, i) => {
    letters += JSON.stringify(change).length;
    return i === MOST || (letters > MOST_LETTERS && i > 0);
  });
  return over < 0 ? [[...changes], []] : [changes.slice(0, over), changes.slice(over)];
}

/**
 * @param send sends changes to the server
 * @param onFailed called where they could not be kept; with null once something was
 */
export function createPhotoSaves(send: Send, onFailed: (error: Error | null) => void) {
  let waiting: PhotoChange[] = [];
  let sending: readonly PhotoChange[] = [];
  let running: Promise<void> | null = null;

  async function run(): Promise<void> {
    while (waiting.length > 0) {
      // What came while the last request was under way goes in one.
      const [now, later] = firstOf(joinedChanges(waiting));
      [sending, waiting] = [now, later];
      try {
        await send(now);
        onFailed(null);
      } catch (error) {
        onFailed(error as Error);
        if (!isOffline(error)) continue;
        // Nothing of it has been kept yet: later changes of the same photos count over it.
        waiting = [...now, ...waiting];
        await lineBack();
      } finally {
        sending = [];
      }
    }
    running = null;
  }

  return {
    add: (changes: readonly PhotoChange[]): void => {
      if (changes.length === 0) return;
      waiting = [...waiting, ...changes];
      running ??= run();
    },
    /** Ends when all that was added by now has been sent. */
    flush: async (): Promise<void> => {
      await running;
    },
    /** What the server has not said that it has: waiting, or under way. */
    pending: (): readonly PhotoChange[] => joinedChanges([...sending, ...waiting]),
    /** What has not been sent yet: for a page that is going. */
    unsent: (): readonly PhotoChange[] => joinedChanges(waiting),
  };
}
