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
 * @param onBusy called with true when there is something to save, with false when nothing is left
 */
export function createPhotoSaves(
  send: Send,
  onFailed: (error: Error | null) => void,
  onBusy: (isBusy: boolean) => void = () => {},
) {
  let waiting: PhotoChange[] = [];
  let sending: readonly PhotoChange[] = [];
  // What was sent and not answered: it may have arrived, so it is sent once more just so.
  let again: PhotoChange[] | null = null;
  let running: Promise<void> | null = null;
  const held = new Set<PhotoChange[]>();
  const pending = (): PhotoChange[] => joinedChanges([...sending, ...(again ?? []), ...waiting]);

  async function run(): Promise<void> {
    onBusy(true);
    while (again || waiting.length > 0) {
      // What came while the last request was under way goes in one.
      const [now, later]: [PhotoChange[], PhotoChange[]] = again ? [again, waiting] : firstOf(joinedChanges(waiting));
      [again, sending, waiting] = [null, now, later];
      try {
        await send(now);
        onFailed(null);
      } catch (error) {
        onFailed(error as Error);
        if (!isOffline(error)) continue;
        again = now;
        sending = [];
        await lineBack();
      } finally {
        sending = [];
      }
    }
    running = null;
    onBusy(false);
  }

  return {
    add: (changes: readonly PhotoChange[]): void => {
      if (changes.length === 0) return;
      waiting = [...waiting, ...changes];
      for (const list of held) list.push(...changes);
      running ??= run();
    },
    /** Ends when all that was added by now has been sent. */
    flush: async (): Promise<void> => {
      await running;
    },
    /**
     * To be called before the server is asked how photos are: its answer may be older than what is saved meanwhile.
     *
     * @returns ends it, and gives what belongs over the answer
     */
    hold: (): (() => readonly PhotoChange[]) => {
      const list = pending();
      held.add(list);
      return () => {
        held.delete(list);
        return joinedChanges(list);
      };
    },
    /** All that the server may not have yet, in the letters of a request. */
    pendingLetters: (): number => (running ? JSON.stringify(pending()).length : 0),
    /** What has not been sent yet: for a page that is going. */
    unsent: (): readonly PhotoChange[] => joinedChanges([...(again ?? []), ...waiting]),
  };
}

export type PhotoSaves = ReturnType<typeof createPhotoSaves>;

/** The saves of batches that are open on this page. */
const open = new Map<number, PhotoSaves>();

/** Has whoever asks for a batch's photos know of its saves, until the returned function is called. */
export function openSaves(batchId: number, saves: PhotoSaves): () => void {
  open.set(batchId, saves);
  return () => {
    if (open.get(batchId) === saves) open.delete(batchId);
  };
}

/** As `hold` of the batch's saves; nothing where it has none. */
export const holdChanges = (batchId: number): (() => readonly PhotoChange[]) => open.get(batchId)?.hold() ?? (() => []);
