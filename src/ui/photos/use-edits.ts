'use client';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useState } from 'react';
import type { PhotoChange, PhotoRow } from '@/server/services';
import { api } from '../shared/api';
import type { PhotoPages } from './photo-pages';

type Step = { readonly words: string; readonly undo: readonly PhotoChange[] };

export type PhotoEdits = {
  /** Changes photos at once on screen, and on the server. */
  readonly apply: (words: string, changes: readonly PhotoChange[]) => void;
  /** What the last change was, in words; null where there is none to undo. */
  readonly last: string | null;
  readonly undo: () => void;
  /** Why the last change could not be kept. */
  readonly error: string | null;
};

const STEPS = 100;

/** Changes by hand to a batch's photos: review, subject, adjustment. Every one can be undone. */
export function usePhotoEdits(batchId: number, photos: readonly PhotoRow[]): PhotoEdits {
  const client = useQueryClient();
  const [steps, setSteps] = useState<readonly Step[]>([]);
  const [error, setError] = useState<string | null>(null);
  const send = useCallback(
    (changes: readonly PhotoChange[]) => {
      const by = new Map(changes.map((change) => [change.id, change]));
      client.setQueryData<PhotoPages>(
        ['photos', batchId],
        (data) =>
          data && {
            ...data,
            pages: data.pages.map((page) => ({
              ...page,
              photos: page.photos.map((photo) => {
                const change = by.get(photo.id);
                // The others stay the very same: they are not painted anew.
                return change ? ({ ...photo, ...change } as PhotoRow) : photo;
              }),
            })),
          },
      );
      api(`/api/batches/${batchId}/photos`, 'PATCH', { changes }).then(
        () => setError(null),
        (e: Error) => {
          setError(e.message);
          void client.invalidateQueries({ queryKey: ['photos', batchId] });
        },
      );
    },
    [batchId, client],
  );
  const apply = useCallback(
    (words: string, changes: readonly PhotoChange[]) => {
      if (changes.length === 0) return;
      const before = new Map(photos.map((photo) => [photo.id, photo]));
      const undo = changes.flatMap((change): PhotoChange[] => {
        const photo = before.get(change.id);
        if (!photo) return [];
        const keys = Object.keys(change) as (keyof PhotoChange)[];
        return [Object.fromEntries(keys.map((key) => [key, photo[key]])) as PhotoChange];
      });
      setSteps((all) => [...all.slice(-STEPS), { words, undo }]);
      send(changes);
    },
    [photos, send],
  );
  const undo = useCallback(() => {
    const last = steps[steps.length - 1];
    if (!last) return;
    setSteps(steps.slice(0, -1));
    send(last.undo);
  }, [steps, send]);
  return { apply, last: steps[steps.length - 1]?.words ?? null, undo, error };
}
