/** What somebody who looks at a batch or template is told as it happens: what has changed, and who else is there. */
import { eq } from 'drizzle-orm';
import { tables } from '../db';
import { come, listen, othersAt, type Here, type Other } from '../workspace';
import { batchRow } from './batches';
import { notFound } from './refusals';

/** Most photos that are told one by one: of more, all are looked at anew. */
const MOST = 500;

/** What has happened since the last time, and how things stand. */
export type Seen = {
  /** Photos that others have changed or added; null where all are to be looked at anew. */
  readonly photos: readonly number[] | null;
  /** True where others have changed something else. */
  readonly isMore: boolean;
  readonly others: readonly Other[];
};

type Watch = {
  readonly listen: (onChange: () => void) => () => void;
  readonly read: () => Promise<Seen>;
};

/** Watches a topic from a window: what that window does itself is not told. */
function watch(here: Here, topic: string, window: string, refuseGone: () => Promise<unknown>): Watch {
  let photos = new Set<number>();
  let isMore = false;
  return {
    listen: (onChange) => {
      const unlisten = listen(here, topic, (signal) => {
        if (signal.by !== window || signal.by === null) {
          for (const id of signal.photos ?? []) photos.add(id);
          isMore ||= signal.isMore ?? false;
        }
        onChange();
      });
      const leave = come(here, topic, window);
      return () => {
        unlisten();
        leave();
      };
    },
    read: async () => {
      // Before the look: what happens from here on is told the next time.
      const [changed, more] = [photos, isMore];
      [photos, isMore] = [new Set(), false];
      await refuseGone();
      return { photos: changed.size > MOST ? null : [...changed], isMore: more, others: othersAt(here, topic, window) }; // prettier-ignore
    },
  };
}

/** @throws WobrelError `not-found` */
export async function watchBatch(here: Here, id: number, window: string): Promise<Watch> {
  await batchRow(here, id);
  return watch(here, `batch ${id}`, window, () => batchRow(here, id));
}

/** @throws WobrelError `not-found` */
export async function watchTemplate(here: Here, id: number, window: string): Promise<Watch> {
  const look = async () => {
    const [row] = await here.db.select({ id: tables.templates.id }).from(tables.templates).where(eq(tables.templates.id, id)); // prettier-ignore
    if (!row) throw notFound('template');
  };
  await look();
  return watch(here, `template ${id}`, window, look);
}
