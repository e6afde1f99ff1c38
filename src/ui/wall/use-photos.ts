'use client';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { PAGE, type PhotoPage } from '../photos/photo-pages';
import { withOwn } from '../photos/others';
import { holdChanges } from '../photos/photo-saves';
import { api } from '../shared/api';

/** All photos of a batch by name; they arrive in pages, the first ones can be shown at once. */
export function usePhotos(batchId: number) {
  const query = useInfiniteQuery({
    queryKey: ['photos', batchId],
    initialPageParam: 0,
    queryFn: async ({ pageParam }) => {
      const held = holdChanges(batchId);
      try {
        const page = await api<PhotoPage>(`/api/batches/${batchId}/photos?offset=${pageParam}&limit=${PAGE}`);
        return { ...page, photos: withOwn(page.photos, held()) };
      } finally {
        held();
      }
    },
    getNextPageParam: (last: PhotoPage, pages) => {
      const loaded = pages.length * PAGE;
      return loaded < last.total ? loaded : undefined;
    },
  });
  const { hasNextPage, isFetching, fetchNextPage, data } = query;
  useEffect(() => {
    if (hasNextPage && !isFetching) void fetchNextPage();
  }, [hasNextPage, isFetching, fetchNextPage]);
  const photos = useMemo(() => data?.pages.flatMap((page) => page.photos) ?? [], [data]);
  return { photos, total: data?.pages[0]?.total ?? 0, isLoading: query.isLoading, error: query.error };
}
