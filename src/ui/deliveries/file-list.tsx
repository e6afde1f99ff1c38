'use client';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useState } from 'react';
import type { DeliveredFile } from '@/server/services';
import { api } from '../shared/api';
import { FileRow } from './file-row';

const ROW = 72;
const PAGE = 200;

export const SHOWN = { all: 'all', made: 'made anew', found: 'with findings' } as const;
export type Shown = keyof typeof SHOWN;

type Page = { readonly files: readonly DeliveredFile[]; readonly total: number };

/** The files of a delivery; only those in view exist, and they come in pages. */
export function FileList({ delivery, shown }: { readonly delivery: number; readonly shown: Shown }) {
  const { data, error, fetchNextPage, hasNextPage, isFetching } = useInfiniteQuery({
    queryKey: ['deliveries', 'files', delivery, shown],
    initialPageParam: 0,
    queryFn: ({ pageParam }) =>
      api<Page>(`/api/deliveries/${delivery}/files?show=${shown}&offset=${pageParam}&limit=${PAGE}`),
    getNextPageParam: (last: Page, pages) => (pages.length * PAGE < last.total ? pages.length * PAGE : undefined),
  });
  const [scroller, setScroller] = useState<HTMLDivElement | null>(null);
  const files = data?.pages.flatMap((page) => page.files) ?? [];
  // oxlint-disable-next-line react/incompatible-library -- the virtualizer's answers change without its identity; nothing here is memoised on it
  const virtual = useVirtualizer({ count: files.length, getScrollElement: () => scroller, estimateSize: () => ROW });
  const items = virtual.getVirtualItems();
  const isNearEnd = (items.at(-1)?.index ?? 0) > files.length - 30;
  useEffect(() => {
    if (isNearEnd && hasNextPage && !isFetching) void fetchNextPage();
  }, [isNearEnd, hasNextPage, isFetching, fetchNextPage]);
  if (error) return <p className="text-danger">✕ {error.message}</p>;
  if (data && files.length === 0) return <p className="muted">No files.</p>;
  return (
    <div ref={setScroller} className="file-list" role="list" aria-label="Files" tabIndex={0}>
      <div style={{ height: virtual.getTotalSize(), position: 'relative' }}>
        {items.map(({ index, start }) => (
          <div
            key={files[index]!.id}
            role="listitem"
            aria-posinset={index + 1}
            aria-setsize={data!.pages[0]!.total}
            className="file-row"
            style={{ position: 'absolute', top: start, height: ROW, left: 0, right: 0 }}
          >
            <FileRow delivery={delivery} file={files[index]!} />
          </div>
        ))}
      </div>
    </div>
  );
}
