'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { api } from '../shared/api';
import type { TemplateStore } from './store';

const PAUSE_MS = 400;

export type SaveState =
  { readonly kind: 'saved' } | { readonly kind: 'saving' } | { readonly kind: 'failed'; readonly message: string };

let underway: Promise<void> = Promise.resolve();

/** Ends when everything that was to be saved at this moment has been, or could not be. */
export const savesUnderway = (): Promise<void> => underway;

/** Keeps the batch's template on the server as it changes. `flush` saves at once. */
export function useAutosave(batchId: number, store: TemplateStore, firstRevision: number) {
  const [state, setState] = useState<SaveState>({ kind: 'saved' });
  const revision = useRef(firstRevision);
  const saved = useRef(store.use.getState().template);
  const running = useRef<Promise<void>>(Promise.resolve());

  const flush = useCallback((): Promise<void> => {
    running.current = running.current.then(async () => {
      const { template } = store.use.getState();
      // Changed and taken back within the pause: nothing to save.
      if (template === saved.current) return setState({ kind: 'saved' });
      try {
        const answer = await api<{ revision: number }>(`/api/batches/${batchId}/draft`, 'PUT', {
          template,
          revision: revision.current,
        });
        revision.current = answer.revision;
        saved.current = template;
        // What has changed since has a save of its own coming.
        if (store.use.getState().template === template) setState({ kind: 'saved' });
      } catch (error) {
        setState({ kind: 'failed', message: (error as Error).message });
      }
    });
    underway = running.current;
    return running.current;
  }, [batchId, store]);

  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const unsubscribe = store.use.subscribe(() => {
      setState({ kind: 'saving' });
      clearTimeout(timer);
      timer = setTimeout(() => void flush(), PAUSE_MS);
    });
    const onLeave = () => {
      const { template } = store.use.getState();
      if (template === saved.current) return;
      // The page is going: the request outlives it.
      void fetch(`/api/batches/${batchId}/draft`, {
        method: 'PUT',
        keepalive: true,
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ template, revision: revision.current }),
      });
    };
    window.addEventListener('pagehide', onLeave);
    return () => {
      clearTimeout(timer);
      unsubscribe();
      window.removeEventListener('pagehide', onLeave);
      void flush();
    };
  }, [batchId, store, flush]);

  return { state, flush };
}
