'use client';
/** One history of a batch: changes of the template and of photos, in the order in which they were made. */
import { create, type StoreApi, type UseBoundStore } from 'zustand';

export type Step = {
  /** What was done, as in "Undo …". */
  readonly words: string;
  readonly undo: () => void;
  readonly redo: () => void;
};

type Steps = { readonly past: readonly Step[]; readonly future: readonly Step[] };

export type History = {
  readonly use: UseBoundStore<StoreApi<Steps>>;
  /** Notes what has just been done; what could be redone is forgotten. */
  readonly record: (step: Step) => void;
  readonly undo: () => void;
  readonly redo: () => void;
};

/** Steps that can be undone. */
const MOST = 300;

export function createHistory(): History {
  const use = create<Steps>(() => ({ past: [], future: [] }));
  return {
    use,
    record: (step) => use.setState(({ past }) => ({ past: [...past.slice(1 - MOST), step], future: [] })),
    undo: () => {
      const { past, future } = use.getState();
      const step = past[past.length - 1];
      if (!step) return;
      use.setState({ past: past.slice(0, -1), future: [step, ...future] });
      step.undo();
    },
    redo: () => {
      const { past, future } = use.getState();
      const [step, ...rest] = future;
      if (!step) return;
      use.setState({ past: [...past, step], future: rest });
      step.redo();
    },
  };
}
