'use client';
import { useCallback, useEffect, useState } from 'react';
import type { BatchDetail } from '@/server/services';
import { api, pageHeaders } from '../shared/api';
import { newId } from '../shared/ids';
import { createDraftSaves, type DraftSave, type SaveState } from './draft-saves';
import type { TemplateStore } from './store';

const PAUSE_MS = 400;

/** A batch's template as somebody else has saved it. */
type Theirs = Pick<BatchDetail, 'template' | 'revision'>;

let underway: Promise<void> = Promise.resolve();

/** Ends when everything that was to be saved at this moment has been, or could not be. */
export const savesUnderway = (): Promise<void> => underway;

/** Keeps the batch's template on the server as it changes. `flush` saves at once and gives the revision that there is then. */
export function useAutosave(batchId: number, store: TemplateStore, firstRevision: number) {
  const [state, setState] = useState<SaveState>({ kind: 'saved' });
  const [saves] = useState(() =>
    createDraftSaves({
      current: () => store.state.getState().template,
      revision: firstRevision,
      window: newId(),
      send: (save) => api<{ revision: number }>(`/api/batches/${batchId}/draft`, 'PUT', save),
      onState: setState,
    }),
  );
  const flush = useCallback(async (): Promise<number> => {
    underway = saves.flush();
    await underway;
    return saves.revision();
  }, [saves]);

  /** Takes in what somebody else has saved, with one's own changes where they don't collide. What can be undone is then about one's own alone. */
  const takeIn = useCallback(
    ({ template, revision }: Theirs): Promise<number> => {
      const { base, both } = saves.join(template, revision);
      store.follow(base, template, both);
      return flush();
    },
    [store, saves, flush],
  );

  /** After a conflict: theirs, as it is now. */
  const join = useCallback(async (): Promise<void> => {
    try {
      await takeIn(await api<Theirs>(`/api/batches/${batchId}`));
    } catch (error) {
      setState({ kind: 'conflict', message: (error as Error).message });
    }
  }, [batchId, takeIn]);

  /**
   * Follows what somebody else has saved where nothing of one's own waits; else the next save says that there is a conflict.
   *
   * @returns whether there was something to follow
   */
  const follow = useCallback(
    (theirs: Theirs): boolean => {
      if (saves.isWaiting() || theirs.revision <= saves.revision()) return false;
      void takeIn(theirs);
      return true;
    },
    [saves, takeIn],
  );

  /** After a refusal: the template as the server took it last. A step that can be undone. */
  const goBack = useCallback(() => store.change(() => saves.saved()), [store, saves]);

  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const unsubscribe = store.state.subscribe(() => {
      setState({ kind: 'saving' });
      clearTimeout(timer);
      timer = setTimeout(() => void flush(), PAUSE_MS);
    });
    const onLeave = () => {
      const last = saves.last();
      if (last) leaveBehind(batchId, last);
    };
    window.addEventListener('pagehide', onLeave);
    return () => {
      clearTimeout(timer);
      unsubscribe();
      window.removeEventListener('pagehide', onLeave);
      void flush();
    };
  }, [batchId, store, flush, saves]);

  return { state, flush, join, goBack, follow };
}

/** The page is going: the request outlives it. */
function leaveBehind(batchId: number, save: DraftSave): void {
  void fetch(`/api/batches/${batchId}/draft`, {
    method: 'PUT',
    keepalive: true,
    headers: { ...pageHeaders(), 'content-type': 'application/json' },
    body: JSON.stringify(save),
  });
}
