/** A batch's photos as they are kept in the page: by name, in pages. */
import type { InfiniteData } from '@tanstack/react-query';
import { compareText, nameKey } from '@/core/name-order';
import type { PhotoRow } from '@/server/services';

export const PAGE = 500;
export type PhotoPage = { photos: PhotoRow[]; total: number };
export type PhotoPages = InfiniteData<PhotoPage>;

/** Rows stay the very same, so that each key is made once. */
const keys = new WeakMap<PhotoRow, string>();

function keyOf(photo: PhotoRow): string {
  const known = keys.get(photo);
  if (known !== undefined) return known;
  const key = nameKey(photo.name);
  keys.set(photo, key);
  return key;
}

/** As the server orders them. */
const byName = (a: PhotoRow, b: PhotoRow) =>
  compareText(keyOf(a), keyOf(b)) || compareText(a.name, b.name) || a.id - b.id;

/**
 * The pages with arrived photos among the others, which stay the very same; null where not
 * all pages are there yet, so that only the server can tell. Asking it for all of them with
 * every few that arrive would take longer the more there are.
 */
export function withArrived(data: PhotoPages | undefined, arrived: readonly PhotoRow[]): PhotoPages | null {
  if (!data) return null;
  const known = data.pages.flatMap(({ photos }) => photos);
  if (known.length !== (data.pages[0]?.total ?? 0)) return null;
  const ids = new Set(known.map(({ id }) => id));
  const all = [...known, ...arrived.filter(({ id }) => !ids.has(id))].sort(byName);
  const starts = Array.from({ length: Math.max(1, Math.ceil(all.length / PAGE)) }, (_, k) => k * PAGE);
  return {
    pages: starts.map((start) => ({ photos: all.slice(start, start + PAGE), total: all.length })),
    pageParams: starts,
  };
}
