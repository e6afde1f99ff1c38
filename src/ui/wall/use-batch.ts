'use client';
import { useQuery } from '@tanstack/react-query';
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
