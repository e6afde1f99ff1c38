'use client';
import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useState } from 'react';
import { changedData } from '@/core/table';
import type { PhotoChange, PhotoRow } from '@/server/services';
import type { History } from '../history/history';
import { anew } from '../shared/anew';
import { useMay } from '../people/who';
import { api, ApiError } from '../shared/api';
import { LOOKING_ON } from '../template/locks';
import { say } from '../shared/say';
import { isOffline } from '../shared/line';
import { amount } from '../shared/words';
import { withOthers, withoutForeign } from './others';
import type { PhotoPages } from './photo-pages';
import { createPhotoSaves, openSaves } from './photo-saves';
import { useLeaving } from './use-leaving';

export type PhotoEdits = {
  /** Changes photos at once on screen, and on the server; one step of the history. */
  readonly apply: (words: string, changes: readonly PhotoChange[]) => void;
  /** The same as part of a larger step, which notes itself: gives the changes that take it back. */
  readonly change: (changes: readonly PhotoChange[]) => readonly PhotoChange[];
  /** A photo as it is now: the page may not have been drawn anew since the last change. */
  readonly now: (id: number) => PhotoRow | undefined;
  /** Takes in photos as others have changed them. */
  readonly takeOthers: (ids: readonly number[]) => Promise<void>;
  /** Ends when the server has all changes. */
  readonly flush: () => Promise<void>;
  /** Whether changes are on their way to the server. */
  readonly isSaving: boolean;
  /** Why the last change could not be kept. */
  readonly error: string | null;
};

const keyOf = (batchId: number) => ['photos', batchId] as const;

/** Of a step of the table's, what it changes of photos. */
type TableStep = { readonly changes: readonly PhotoChange[] };

/** The pages with changed photos; the others stay the very same, so that they are not painted anew. */
function withChanges(data: PhotoPages, changes: readonly PhotoChange[]): PhotoPages {
  const by = new Map(changes.map((change) => [change.id, change]));
  const changed = (photo: PhotoRow) => {
    const change = by.get(photo.id);
    if (!change) return photo;
    const data = change.data ? changedData(photo.data, change.data) : photo.data;
    return { ...photo, ...change, data } as PhotoRow;
  };
  return { ...data, pages: data.pages.map((page) => ({ ...page, photos: page.photos.map(changed) })) };
}

function photosNow(client: QueryClient, batchId: number): readonly PhotoRow[] {
  return client.getQueryData<PhotoPages>(keyOf(batchId))?.pages.flatMap(({ photos }) => photos) ?? [];
}

/** The changes that take some others back, as the photos are now. */
function inverse(client: QueryClient, batchId: number, changes: readonly PhotoChange[]): PhotoChange[] {
  const by = new Map(photosNow(client, batchId).map((photo) => [photo.id, photo]));
  return changes.flatMap((change): PhotoChange[] => {
    const photo = by.get(change.id);
    if (!photo) return [];
    const { data, was: _, ...own } = change;
    const keys = Object.keys(own) as (keyof typeof own)[];
    const before = Object.fromEntries(keys.map((key) => [key, photo[key]])) as Partial<PhotoChange>;
    const fields = Object.keys(data ?? {}).map((name) => [name, photo.data[name] ?? null] as const);
    return [{ ...before, id: change.id, ...(data && { data: Object.fromEntries(fields) }) }];
  });
}

/** Changes that count only on what was there before them. */
function madeOn(changes: readonly PhotoChange[], before: readonly PhotoChange[]): PhotoChange[] {
  const by = new Map(before.map(({ id, was: _, ...was }) => [id, was]));
  return changes.map((change) => (by.has(change.id) ? { ...change, was: by.get(change.id) } : change));
}

const refusedWords = (names: readonly string[]) =>
  `Somebody else has just changed ${names.length === 1 ? names[0] : `${amount(names.length)} of these photos`}: their change stands, yours is not kept.`;

/** Changes by hand to a batch's photos: review, subject, adjustment. */
export function usePhotoEdits(batchId: number, history: History): PhotoEdits {
  const client = useQueryClient();
  const [error, setError] = useState<string | null>(null);
  const [isSaving, setIsSaving] = useState(false);
  const [saves] = useState(() =>
    createPhotoSaves(
      async (changes) => {
        const { refused } = await api<{ refused: string[] }>(`/api/batches/${batchId}/photos`, 'PATCH', { changes });
        if (refused.length > 0) throw new ApiError('conflict', refusedWords(refused));
      },
      (failure) => {
        setError(failure?.message ?? null);
        // Without a line they wait as they are on screen; what the server refuses is shown as it has it.
        if (failure && !isOffline(failure)) void anew(client, keyOf(batchId));
      },
      setIsSaving,
    ),
  );
  useEffect(() => openSaves(batchId, saves), [batchId, saves]);
  useLeaving(batchId, saves);
  const change = useCallback(
    (changes: readonly PhotoChange[]) => {
      const before = inverse(client, batchId, changes);
      client.setQueryData<PhotoPages>(keyOf(batchId), (data) => data && withChanges(data, changes));
      saves.add(madeOn(changes, before));
      return before;
    },
    [batchId, client, saves],
  );
  useEffect(() => history.takePart('photos', change), [history, change]);
  const mayWork = useMay('artist');
  const changeWithin = useCallback(
    (changes: readonly PhotoChange[]) => {
      return mayWork ? change(changes) : [];
    },
    [change, mayWork],
  );
  const apply = useCallback(
    (words: string, changes: readonly PhotoChange[]) => {
      if (!mayWork) return say(LOOKING_ON);
      if (changes.length === 0) return;
      const back = changeWithin(changes);
      say(words);
      history.record({ words, part: 'photos', back, forth: changes });
    },
    [changeWithin, history, mayWork],
  );
  const now = useCallback(
    (id: number) => photosNow(client, batchId).find((photo) => photo.id === id),
    [batchId, client],
  );
  /** Takes in photos as others have changed them; what can be undone is then about one's own changes alone. */
  const takeOthers = useCallback(
    async (ids: readonly number[]) => {
      const held = saves.hold();
      const { photos: rows } = await api<{ photos: PhotoRow[] }>(`/api/batches/${batchId}/photos?ids=${ids.join(',')}`);
      const own = held();
      // One that is asked for and does not come is gone.
      if (rows.length < ids.length) return anew(client, keyOf(batchId));
      const taken = withOthers(client.getQueryData<PhotoPages>(keyOf(batchId)), rows, own);
      if (!taken) return anew(client, keyOf(batchId));
      client.setQueryData<PhotoPages>(keyOf(batchId), taken.pages);
      const without = (changes: readonly PhotoChange[]) => withoutForeign(changes, taken.foreign);
      history.rebase('photos', without);
      history.rebase('table', (step: TableStep) => ({ ...step, changes: without(step.changes) ?? [] }));
    },
    [batchId, client, history, saves],
  );
  return { apply, change: changeWithin, now, flush: saves.flush, takeOthers, isSaving, error };
}
