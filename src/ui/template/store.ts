'use client';
import { temporal } from 'zundo';
import { create, useStore, type StoreApi, type UseBoundStore } from 'zustand';
import type { TemporalState } from 'zundo';
import type { Template } from '@/core/template';

type TemplateState = { readonly template: Template };

export type Change = (change: (template: Template) => Template) => void;

/** The template being edited, with every change undoable. */
export type TemplateStore = {
  readonly use: UseBoundStore<StoreApi<TemplateState>>;
  readonly history: StoreApi<TemporalState<Pick<TemplateState, 'template'>>>;
  readonly change: Change;
  /** Everything between `drag(true)` and `drag(false)` is one step to undo. */
  readonly drag: (active: boolean) => void;
};

/** Steps that can be undone. */
const STEPS = 200;

export function createTemplateStore(initial: Template): TemplateStore {
  const use = create<TemplateState>()(
    temporal(() => ({ template: initial }), { limit: STEPS, equality: (a, b) => a.template === b.template }),
  );
  const history = (use as unknown as { temporal: TemplateStore['history'] }).temporal;
  let dragging = false;
  return {
    use,
    history,
    change: (change) => {
      use.setState(({ template }) => ({ template: change(template) }));
      // The first change of a drag has noted where it began; the others only follow.
      if (dragging) history.getState().pause();
    },
    drag: (active) => {
      dragging = active;
      if (!active) history.getState().resume();
    },
  };
}

/** Whether there is something to undo and to redo, and how. */
export function useHistory({ history }: TemplateStore) {
  const canUndo = useStore(history, (state) => state.pastStates.length > 0);
  const canRedo = useStore(history, (state) => state.futureStates.length > 0);
  return { canUndo, canRedo, undo: () => history.getState().undo(), redo: () => history.getState().redo() };
}
