'use client';
import { keepPreviousData, useInfiniteQuery, useQuery } from '@tanstack/react-query';
import type { StripPhoto, TemplateCard, TemplateHistory } from '@/server/services';
import { api } from '../shared/api';

export type Wanted = {
  readonly search: string;
  readonly tag: string;
  readonly sort: 'name' | 'newest' | 'used';
  readonly archived: boolean;
};

type CardsPage = {
  readonly cards: readonly TemplateCard[];
  readonly total: number;
  readonly tags: readonly string[];
  /** Photos to show a template on that no batch uses. */
  readonly sample: readonly StripPhoto[];
};

const PAGE = 60;

/** One page of saved templates, as they are wanted. */
export function cardsPage({ search, tag, sort, archived }: Wanted, offset: number): Promise<CardsPage> {
  const query = new URLSearchParams({ search, tag, sort, archived: String(archived), offset: String(offset), limit: String(PAGE) }); // prettier-ignore
  return api<CardsPage>(`/api/templates?${query}`);
}

/** Saved templates page by page, as they are wanted. */
export const useCards = ({ search, tag, sort, archived }: Wanted) =>
  useInfiniteQuery({
    queryKey: ['templates', 'cards', search, tag, sort, archived],
    initialPageParam: 0,
    queryFn: ({ pageParam }) => cardsPage({ search, tag, sort, archived }, pageParam),
    getNextPageParam: (last: CardsPage, pages) => (pages.length * PAGE < last.total ? pages.length * PAGE : undefined),
    placeholderData: keepPreviousData,
  });

/** One template with its versions. */
export const useHistoryOf = (id: number) =>
  useQuery({ queryKey: ['templates', id], queryFn: () => api<TemplateHistory>(`/api/templates/${id}`) });
