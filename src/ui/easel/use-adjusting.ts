'use client';
import { useRef, useState } from 'react';
import { heldAdjustment, UNADJUSTED, type Adjustment } from '@/core/placement';
import type { PhotoRow } from '@/server/services';
import type { PhotoEdits } from '../photos/use-edits';

/** Ticks of a wheel that follow each other within this time are one change, ms. */
const PAUSE_MS = 300;

type Draft = { readonly id: number; readonly words: string; readonly adjustment: Adjustment };

/**
 * A photo's adjustment while it is in the hand: what is dragged or scrolled shows at once,
 * and is kept as one change when it is let go.
 */
export function useAdjusting(photo: PhotoRow, edits: PhotoEdits) {
  const [draft, setDraft] = useState<Draft | null>(null);
  // The same again, for events that come before the page has been drawn anew.
  const inHand = useRef<Draft | null>(null);
  const pause = useRef<ReturnType<typeof setTimeout>>(undefined);
  const { id, name } = photo;

  const show = (next: Draft | null) => {
    inHand.current = next && { ...next, adjustment: heldAdjustment(next.adjustment) };
    setDraft(inHand.current);
  };
  const kept = () => edits.now(id)?.adjustment ?? UNADJUSTED;
  const keep = (words: string, wanted: Adjustment | null) => {
    clearTimeout(pause.current);
    show(null);
    const next = wanted && heldAdjustment(wanted);
    const same = JSON.stringify(next ?? UNADJUSTED) === JSON.stringify(kept());
    if (!same) edits.apply(`${words} ${name}`, [{ id, adjustment: next }]);
  };
  return {
    /** As it is shown. */
    adjustment: draft?.id === id ? draft.adjustment : (photo.adjustment ?? UNADJUSTED),
    /** As it is at this moment: what the next change is made on. */
    now: (): Adjustment => (inHand.current?.id === id ? inHand.current.adjustment : kept()),
    /** Keeps what is in the hand, if anything is. */
    letGo: () => {
      if (inHand.current?.id === id) keep(inHand.current.words, inHand.current.adjustment);
    },
    keep,
    /** Shows a change without keeping it yet. */
    hold: (words: string, adjustment: Adjustment) => show({ id, words, adjustment }),
    /** The same, kept once nothing follows for a moment. */
    holdAWhile: (words: string, adjustment: Adjustment) => {
      show({ id, words, adjustment });
      clearTimeout(pause.current);
      // Even where the easel is closed meanwhile: what was done is kept.
      pause.current = setTimeout(() => keep(words, adjustment), PAUSE_MS);
    },
  };
}
