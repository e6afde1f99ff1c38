'use client';
import { useEffect } from 'react';

/** Asks before the page is left while something would be lost by it. */
export function useStay(wouldLose: boolean): void {
  useEffect(() => {
    if (!wouldLose) return;
    const onLeave = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', onLeave);
    return () => window.removeEventListener('beforeunload', onLeave);
  }, [wouldLose]);
}
