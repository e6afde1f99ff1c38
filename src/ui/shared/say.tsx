'use client';
/** What was done and came out, for those who don't see it. */
import { create } from 'zustand';

const useSaid = create(() => ({ words: '', times: 0 }));

/** Has it read aloud, once nothing else is being said. */
export const say = (words: string): void => useSaid.setState(({ times }) => ({ words, times: times + 1 }));

export const said = (): string => useSaid.getState().words;

/** Where it is read from; a dialog that lies over the page needs one of its own. */
export function Spoken() {
  const { words, times } = useSaid();
  return (
    <div className="visually-hidden" role="log" aria-live="polite" aria-label="What was done">
      {/* The same words again are news again. */}
      <span key={times}>{words}</span>
    </div>
  );
}
