'use client';
/** One history of a batch: changes of the template and of photos, in the order in which they were made, as data that can be kept. */
import { createStore, type StoreApi } from 'zustand';
import { say } from '../shared/say';

export type Step = {
  /** What was done, as in "Undo …". */
  readonly words: string;
  /** Who knows how to apply what follows. */
  readonly part: string;
  /** What brings back what was before, and what does it again. */
  readonly back: unknown;
  readonly forth: unknown;
};

export type Steps = { readonly past: readonly Step[]; readonly future: readonly Step[] };

export type History = {
  readonly steps: StoreApi<Steps>;
  /** Says how steps of a part are applied. */
  readonly takePart: (part: string, apply: (data: never) => void) => void;
  /** Notes what has just been done; what could be redone is forgotten. */
  readonly record: (step: Step) => void;
  /** The last step went on: it leads to something else now. */
  readonly amend: (forth: unknown) => void;
  /** Others have changed what steps of a part are about: what they lead to is worked out anew, null where nothing is left of a step. */
  readonly rebase: <D>(part: string, anew: (data: D) => D | null) => void;
  readonly undo: () => void;
  readonly redo: () => void;
};

/** Steps that can be undone. */
const MOST = 300;

/** @param kept steps of an earlier page */
export function createHistory(kept: Steps = { past: [], future: [] }): History {
  const steps = createStore<Steps>(() => kept);
  const parts = new Map<string, (data: never) => void>();
  const apply = ({ part }: Step, data: unknown) => parts.get(part)?.(data as never);
  return {
    steps,
    takePart: (part, how) => void parts.set(part, how),
    record: (step) => steps.setState(({ past }) => ({ past: [...past.slice(1 - MOST), step], future: [] })),
    amend: (forth) =>
      steps.setState(({ past }) => ({
        past: past.map((step, i) => (i === past.length - 1 ? { ...step, forth } : step)),
      })),
    rebase: (part, anew) => {
      const rebased = (list: readonly Step[]) =>
        list.flatMap((step) => {
          if (step.part !== part) return [step];
          const [back, forth] = [anew(step.back as never), anew(step.forth as never)];
          return back === null || forth === null ? [] : [{ ...step, back, forth }];
        });
      steps.setState(({ past, future }) => ({ past: rebased(past), future: rebased(future) }));
    },
    undo: () => {
      const { past, future } = steps.getState();
      const step = past[past.length - 1];
      if (!step) return;
      steps.setState({ past: past.slice(0, -1), future: [step, ...future] });
      say(`Undone: ${step.words}`);
      apply(step, step.back);
    },
    redo: () => {
      const { past, future } = steps.getState();
      const [step, ...rest] = future;
      if (!step) return;
      steps.setState({ past: [...past, step], future: rest });
      say(`Redone: ${step.words}`);
      apply(step, step.forth);
    },
  };
}
