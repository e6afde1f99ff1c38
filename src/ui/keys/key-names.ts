'use client';
import { useSyncExternalStore } from 'react';

const ON_MAC: Readonly<Record<string, string>> = { Ctrl: '⌘', Alt: 'Option', Enter: 'Return' };

/** Words with keys in them, as a keyboard of that kind has them. */
export const keyNames = (words: string, isMac: boolean): string =>
  isMac ? words.replace(/\b(?:Ctrl|Alt|Enter)\b/g, (key) => ON_MAC[key]!) : words;

const never = () => () => {};

/** Names keys as the keyboard here has them; as the server can't know it, as one that is no Mac's at first. */
export function useKeyNames(): (words: string) => string {
  const isMac = useSyncExternalStore(
    never,
    () => /mac|iphone|ipad/i.test(navigator.platform),
    () => false,
  );
  return (words) => keyNames(words, isMac);
}
