'use client';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useState } from 'react';
import type { PhotoRow } from '@/server/services';
import type { PhotoFindings } from '../checks/photo-findings';
import type { PhotoEdits } from '../photos/use-edits';
import type { BenchPhoto } from '../photos/in-slots';
import { anew } from '../shared/anew';
import { api } from '../shared/api';
import { ask } from '../shared/ask';
import { plural } from '../shared/words';

/** What is done to several photos of a batch at once: mended, noted as good or left out, taken out. */
export function usePhotoActions(batchId: number, edits: PhotoEdits) {
  const client = useQueryClient();
  const [failure, setFailure] = useState<string | null>(null);
  const remove = useCallback(
    async (ids: readonly number[]) => {
      const question = {
        title: `Take ${plural(ids.length, 'photo')} out of this batch?`,
        words: 'The files on your disk stay as they are.',
        action: 'Take out',
      };
      if (!(await ask(question))) return;
      try {
        await api(`/api/batches/${batchId}/photos`, 'DELETE', { ids });
        setFailure(null);
      } catch (e) {
        setFailure((e as Error).message);
      }
      await anew(client, ['photos', batchId]);
      await anew(client, ['batch', batchId]);
    },
    [batchId, client],
  );
  return {
    remove,
    /** Why photos could not be taken out. */
    failure,
    review: (ids: readonly number[], state: PhotoRow['review']) =>
      edits.apply(
        `${state === 'out' ? 'left out' : state === 'good' ? 'good' : 'to look at'}: ${plural(ids.length, 'photo')}`,
        ids.map((id) => ({ id, review: state })),
      ),
    /** Mends one check's finding on every photo that has it. */
    mendAll: (photos: readonly BenchPhoto[], findings: PhotoFindings, check: string, words: string) => {
      const changes = photos.flatMap((photo) => {
        if (!findings.byPhoto.get(photo.id)?.some((f) => f.check === check)) return [];
        const mend = findings.mend(photo, check);
        return mend ? [{ id: photo.id, ...mend }] : [];
      });
      edits.apply(`${words}: ${plural(changes.length, 'photo')}`, changes);
    },
  };
}
