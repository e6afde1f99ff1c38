'use client';
import { temporal } from 'zundo';
import { create, type StoreApi, type UseBoundStore } from 'zustand';
import type { TemporalState } from 'zundo';
import type { Template } from '@/core/template';
import { createHistory, type History } from '../history/history';

type TemplateState = { readonly template: Template };

export type Change = (change: (template: Template) => Template) => void;

/** The template being edited; every change is a step of the batch's history. */
export type TemplateStore = {
  readonly use: UseBoundStore<StoreApi<TemplateState>>;
  readonly history: History;
  readonly change: Change;
  /** Everything between `drag(true)` and `drag(false)` is one step to undo. */
  readonly drag: (active: boolean) => void;
};

/** Steps that can be undone: as many as the history may hold. */
const STEPS = 300;

/** @param history that the changes are noted in; of its own where nothing else is changed */
export function createTemplateStore(initial: Template, history: History = createHistory()): TemplateStore {
  let own: StoreApi<TemporalState<TemplateState>> | null = null;
  const step = {
    words: 'change of the template',
    undo: () => own!.getState().undo(),
    redo: () => own!.getState().redo(),
  };
  const use = create<TemplateState>()(
    temporal(() => ({ template: initial }), {
      limit: STEPS,
      equality: (a, b) => a.template === b.template,
      onSave: () => history.record(step),
    }),
  );
  own = (use as unknown as { temporal: StoreApi<TemporalState<TemplateState>> }).temporal;
  let dragging = false;
  return {
    use,
    history,
    change: (change) => {
      use.setState(({ template }) => ({ template: change(template) }));
      // The first change of a drag has noted where it began; the others only follow.
      if (dragging) own!.getState().pause();
    },
    drag: (active) => {
      dragging = active;
      if (!active) own!.getState().resume();
    },
  };
}
