'use client';
import { useCallback, useEffect, useState } from 'react';
import type { BatchDetail } from '@/server/services';
import { api, shownWorkspace } from '../shared/api';
import { createDraftSaves, type DraftSave, type SaveState } from './draft-saves';
import type { TemplateStore } from './store';

const PAUSE_MS = 400;

let underway: Promise<void> = Promise.resolve();

/** Ends when everything that was to be saved at this moment has been, or could not be. */
export const savesUnderway = (): Promise<void> => underway;

/** Keeps the batch's template on the server as it changes. `flush` saves at once and gives the revision that there is then. */
export function useAutosave(batchId: number, store: TemplateStore, firstRevision: number) {
  const [state, setState] = useState<SaveState>({ kind: 'saved' });
  const [saves] = useState(() =>
    createDraftSaves({
      current: () => store.use.getState().template,
      revision: firstRevision,
      window: crypto.randomUUID(),
      send: (save) => api<{ revision: number }>(`/api/batches/${batchId}/draft`, 'PUT', save),
      onState: setState,
    }),
  );
  const flush = useCallback(async (): Promise<number> => {
    underway = saves.flush();
    await underway;
    return saves.revision();
  }, [saves]);

  /** After somebody else has saved: theirs, with one's own changes where they don't collide. */
  const join = useCallback(async (): Promise<void> => {
    try {
      const { template, revision } = await api<Pick<BatchDetail, 'template' | 'revision'>>(`/api/batches/${batchId}`);
      const both = saves.join(template, revision);
      store.change(() => both);
      await flush();
    } catch (error) {
      setState({ kind: 'conflict', message: (error as Error).message });
    }
  }, [batchId, store, saves, flush]);

  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const unsubscribe = store.use.subscribe(() => {
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

  return { state, flush, join };
}

/** The page is going: the request outlives it. */
function leaveBehind(batchId: number, save: DraftSave): void {
  void fetch(`/api/batches/${batchId}/draft`, {
    method: 'PUT',
    keepalive: true,
    headers: { ...shownWorkspace(), 'content-type': 'application/json' },
    body: JSON.stringify(save),
  });
}
