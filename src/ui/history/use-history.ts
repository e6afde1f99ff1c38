'use client';
import type { History } from './history';

/** Whether there is something to undo and to redo, in words, and how. */
export function useHistory({ use, undo, redo }: History) {
  const last = use(({ past }) => past[past.length - 1]?.words ?? null);
  const next = use(({ future }) => future[0]?.words ?? null);
  return { canUndo: last !== null, canRedo: next !== null, last, next, undo, redo };
}
