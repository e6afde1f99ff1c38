/** What takes long to make, kept by what it goes by for the next time that it is asked for; what was used longest ago goes first. */
import { LRUCache } from 'lru-cache';

/** What is kept for the key, or what `make` makes of it. */
export type Kept<T> = (key: string, make: () => T) => T;

/**
 * @param most how many are kept
 * @param heaviest more than `most` of them, as long as all together weigh no more than this
 */
export function kept<T>(most: number, heaviest = most, weigh: (made: T) => number = () => 1): Kept<T> {
  const all = new LRUCache<string, { readonly made: T }>({
    maxSize: heaviest,
    // However heavy, each takes no more than its share, so that there is always room for `most`.
    sizeCalculation: ({ made }) => Math.max(1, Math.floor(Math.min(weigh(made), heaviest / most))),
  });
  return (key, make) => {
    const known = all.get(key);
    if (known) return known.made;
    const made = make();
    all.set(key, { made });
    return made;
  };
}
