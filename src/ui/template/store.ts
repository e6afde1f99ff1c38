'use client';
import { createStore, type StoreApi } from 'zustand';
import { mergeTemplates, type Template } from '@/core/template';
import { createHistory, type History } from '../history/history';

type TemplateState = { readonly template: Template };

export type Change = (change: (template: Template) => Template) => void;

/** The template being edited; every change is a step of the batch's history. */
export type TemplateStore = {
  /** Read in components by `useStore`. */
  readonly state: StoreApi<TemplateState>;
  readonly history: History;
  readonly change: Change;
  /** Takes in what somebody else has made of what both knew: steps of the history are then about one's own changes alone. */
  readonly follow: (base: Template, theirs: Template, both: Template) => void;
  /** Everything between `drag(true)` and `drag(false)` is one step to undo. */
  readonly drag: (active: boolean) => void;
};

const WORDS = 'change of the template';

/** @param history that the changes are noted in; of its own where nothing else is changed */
export function createTemplateStore(initial: Template, history: History = createHistory()): TemplateStore {
  const state = createStore<TemplateState>(() => ({ template: initial }));
  history.takePart('template', (template: Template) => state.setState({ template }));
  let drag: 'none' | 'begun' | 'noted' = 'none';
  return {
    state,
    history,
    change: (change) => {
      const back = state.getState().template;
      const forth = change(back);
      if (forth === back) return;
      state.setState({ template: forth });
      // The first change of a drag notes where it began; the others only follow.
      if (drag === 'noted') return history.amend(forth);
      history.record({ words: WORDS, part: 'template', back, forth });
      if (drag === 'begun') drag = 'noted';
    },
    follow: (base, theirs, both) => {
      history.rebase('template', (kept: Template) => mergeTemplates(base, kept, theirs));
      state.setState({ template: both });
    },
    drag: (active) => {
      drag = active ? 'begun' : 'none';
    },
  };
}
