'use client';
import { useQuery } from '@tanstack/react-query';
import type { Template } from '@/core/template';
import type { BatchDetail } from '@/server/services';
import { api } from '../shared/api';
import { savesUnderway } from '../template/use-autosave';

/** The batch as it is now: never as it was before a change on a page that has just been left. */
export function useBatch(batchId: number) {
  const { data, error, isFetchedAfterMount } = useQuery({
    queryKey: ['batch', batchId],
    queryFn: async () => {
      await savesUnderway();
      return api<BatchDetail>(`/api/batches/${batchId}`);
    },
    refetchOnMount: 'always',
  });
  return { batch: isFetchedAfterMount ? data : undefined, error };
}

/** Whether a batch's template is another than the saved one that it uses, its name aside. */
export const isEdited = ({ saved }: BatchDetail, template: Template): boolean =>
  saved !== null && JSON.stringify({ ...saved.template, name: template.name }) !== JSON.stringify(template);
