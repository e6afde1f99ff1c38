/** Finding guides and words by what stands in them. */
import MiniSearch from 'minisearch';
import type { Guide } from '@/server/help';
import { WORDS, type Word } from '../shared/glossary';

export type Found = { readonly guides: readonly Guide[]; readonly words: readonly Word[] };

const ALL_WORDS = Object.keys(WORDS) as Word[];

/** A search over guides and words: the best first; all in their order where nothing is asked for. */
export function searchIn(guides: readonly Guide[]): (wanted: string) => Found {
  const index = new MiniSearch({
    fields: ['title', 'body'],
    searchOptions: { boost: { title: 3 }, prefix: true, fuzzy: 0.15, combineWith: 'AND' },
  });
  index.addAll(guides.map(({ title, body }, id) => ({ id, title, body })));
  index.addAll(ALL_WORDS.map((word, i) => ({ id: guides.length + i, title: word, body: WORDS[word] })));
  return (wanted) => {
    if (wanted.trim() === '') return { guides, words: ALL_WORDS };
    const ids = index.search(wanted).map(({ id }) => id as number);
    return {
      guides: ids.flatMap((id) => guides[id] ?? []),
      words: ids.flatMap((id) => ALL_WORDS[id - guides.length] ?? []),
    };
  };
}
