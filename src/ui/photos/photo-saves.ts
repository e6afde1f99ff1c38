/** Changes of photos on their way to the server: one request at a time, in the order in which they were made. */
import type { PhotoChange } from '@/server/services';
import { isOffline, lineBack } from '../shared/line';

type Send = (changes: readonly PhotoChange[]) => Promise<unknown>;

/** Most changes that a request takes. */
const MOST = 20_000;

/** Changes of one photo joined: the later ones count. */
function joined(changes: readonly PhotoChange[]): PhotoChange[] {
  const byId = new Map<number, PhotoChange>();
  for (const change of changes) byId.set(change.id, { ...byId.get(change.id), ...change });
  return [...byId.values()];
}

/**
 * @param send sends changes to the server
 * @param onFailed called where they could not be kept; with null once something was
 */
export function createPhotoSaves(send: Send, onFailed: (error: Error | null) => void) {
  let waiting: PhotoChange[] = [];
  let running: Promise<void> | null = null;

  async function run(): Promise<void> {
    while (waiting.length > 0) {
      // What came while the last request was under way goes in one.
      const changes = joined(waiting);
      const now = changes.slice(0, MOST);
      waiting = changes.slice(MOST);
      try {
        await send(now);
        onFailed(null);
      } catch (error) {
        onFailed(error as Error);
        if (!isOffline(error)) continue;
        // Nothing of it has been kept yet: later changes of the same photos count over it.
        waiting = [...now, ...waiting];
        await lineBack();
      }
    }
    running = null;
  }

  return {
    add: (changes: readonly PhotoChange[]): void => {
      waiting = [...waiting, ...changes];
      running ??= run();
    },
    /** Ends when all that was added by now has been sent. */
    flush: async (): Promise<void> => {
      await running;
    },
    /** What has not been sent yet: for a page that is going. */
    unsent: (): readonly PhotoChange[] => joined(waiting),
  };
}
