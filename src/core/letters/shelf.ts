/** Fonts at hand in this thread. They come from files, which core does not read itself. */
import type { Font } from 'fontkit';
import { fontFiles, type FontName } from '../fonts';

const shelf = new Map<FontName, readonly Font[]>();
const coming = new Map<FontName, Promise<void>>();

async function fetchFont(name: FontName, read: (path: string) => Promise<Uint8Array>): Promise<void> {
  const [files, { openFont }] = await Promise.all([Promise.all(fontFiles(name).map(read)), import('./reader')]);
  shelf.set(name, openFont(files));
}

/**
 * Has these fonts at hand from now on.
 *
 * @param read gives one of a font's files, by its path below the folder of fonts
 */
export async function bringFonts(
  names: Iterable<FontName>,
  read: (path: string) => Promise<Uint8Array>,
): Promise<void> {
  await Promise.all(
    [...new Set(names)].map((name) => {
      if (shelf.has(name)) return null;
      const known = coming.get(name);
      if (known) return known;
      const made = fetchFont(name, read).finally(() => coming.delete(name));
      coming.set(name, made);
      return made;
    }),
  );
}

/** A font's files, opened; null where they were not brought. */
export const fontAtHand = (name: FontName): readonly Font[] | null => shelf.get(name) ?? null;
