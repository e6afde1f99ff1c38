/** What is kept of looking at a picture. */
import type { Sight } from '../../core/sight';

/** In place of a sight, where the picture could not be looked at. */
export type Unseen = { readonly unseen: true };
export const UNSEEN: Unseen = { unseen: true };

/** A kept document as photos carry it. */
export function seenIn(document: unknown): { sight: Sight | null; unseen: boolean } {
  const unseen = (document as Unseen | null)?.unseen === true;
  return { sight: unseen ? null : (document as Sight | null), unseen };
}
