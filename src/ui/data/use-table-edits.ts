'use client';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { BatchDetail, PhotoChange } from '@/server/services';
import type { History } from '../history/history';
import type { PhotoEdits } from '../photos/use-edits';
import { anew } from '../shared/anew';
import { api } from '../shared/api';
import { isOffline, lineBack } from '../shared/line';
import { say } from '../shared/say';

/** What of a batch's photo data changes at once: its fields, what they say of some photos, or both. */
export type TableChange = { readonly fields?: readonly string[]; readonly changes: readonly PhotoChange[] };

export type TableEdits = {
  readonly apply: (words: string, change: TableChange) => void;
  /** Ends when the server has the fields as they are. */
  readonly flush: () => Promise<void>;
  /** Why the fields could not be kept. */
  readonly error: string | null;
};

const keyOf = (batchId: number) => ['batch', batchId] as const;

/** Changes of a batch's fields on their way to the server: one after the other, the newest counts. */
function createFieldSaves(batchId: number, onFailed: (error: Error | null) => void) {
  let waiting: { readonly fields: readonly string[]; readonly was: readonly string[] } | null = null;
  let running: Promise<void> | null = null;
  async function run(): Promise<void> {
    while (waiting) {
      const now = waiting;
      waiting = null;
      try {
        await api(`/api/batches/${batchId}/fields`, 'PUT', now);
        onFailed(null);
      } catch (error) {
        onFailed(error as Error);
        if (!isOffline(error)) continue;
        // What was asked for since was made on this.
        waiting = { fields: (waiting as typeof now | null)?.fields ?? now.fields, was: now.was };
        await lineBack();
      }
    }
    running = null;
  }
  return {
    save: (fields: readonly string[], was: readonly string[]): void => {
      waiting = { fields, was: waiting?.was ?? was };
      running ??= run();
    },
    flush: async (): Promise<void> => {
      await running;
    },
  };
}

/** Changes of the table of photo data, each one step of the batch's history. */
export function useTableEdits(batchId: number, edits: PhotoEdits, history: History): TableEdits {
  const client = useQueryClient();
  const [error, setError] = useState<string | null>(null);
  const [saves] = useState(() =>
    createFieldSaves(batchId, (failure) => {
      setError(failure?.message ?? null);
      if (failure && !isOffline(failure)) void anew(client, keyOf(batchId));
    }),
  );
  const { change: changePhotos } = edits;
  const photos = useRef(changePhotos);
  useEffect(() => {
    photos.current = changePhotos;
  });
  /** Does it, and gives what takes it back. */
  const change = useCallback(
    ({ fields, changes }: TableChange): TableChange => {
      const before = client.getQueryData<BatchDetail>(keyOf(batchId))?.fields ?? [];
      if (fields) {
        client.setQueryData<BatchDetail>(keyOf(batchId), (batch) => batch && { ...batch, fields });
        saves.save(fields, before);
      }
      return { ...(fields && { fields: before }), changes: photos.current(changes) };
    },
    [batchId, client, saves],
  );
  useEffect(() => history.takePart('table', (step: TableChange) => void change(step)), [history, change]);
  return useMemo(
    () => ({
      apply: (words, forth) => {
        if (!forth.fields && forth.changes.length === 0) return;
        history.record({ words, part: 'table', back: change(forth), forth });
        say(words);
      },
      flush: saves.flush,
      error,
    }),
    [history, change, saves, error],
  );
}
