'use client';
import { useStore } from 'zustand';
import type { History } from './history';

/** Whether there is something to undo and to redo, in words, and how. */
export function useHistory({ steps, undo, redo }: History) {
  const last = useStore(steps, ({ past }) => past[past.length - 1]?.words ?? null);
  const next = useStore(steps, ({ future }) => future[0]?.words ?? null);
  return { canUndo: last !== null, canRedo: next !== null, last, next, undo, redo };
}
