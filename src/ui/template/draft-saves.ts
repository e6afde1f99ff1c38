/** A batch's template on its way to the server: one save at a time, each knowing what it was made on. */
import { mergeTemplates, saysTheSame, type Template } from '@/core/template';
import type { ApiError } from '../shared/api';
import { isOffline, lineBack } from '../shared/line';

export type SaveState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'saving' }
  | { readonly kind: 'failed'; readonly message: string }
  /** The server does not take such a template. */
  | { readonly kind: 'refused'; readonly message: string }
  /** Somebody else has saved meanwhile. */
  | { readonly kind: 'conflict'; readonly message: string };

/** What is sent: `window` and `change` tell the server that a save follows an earlier one of the same window, whatever came of that. */
export type DraftSave = {
  readonly template: Template;
  readonly revision: number;
  readonly window: string;
  readonly change: number;
};

type DraftSavesOptions = {
  readonly current: () => Template;
  readonly revision: number;
  /** A name that no other window has. */
  readonly window: string;
  readonly send: (save: DraftSave) => Promise<{ readonly revision: number }>;
  readonly onState: (state: SaveState) => void;
};

const kindOf = (code: string): 'conflict' | 'refused' | 'failed' =>
  code === 'conflict' ? 'conflict' : /^(template|shape|path|took-too-long)\b/.test(code) ? 'refused' : 'failed';

export function createDraftSaves({ current, revision: first, window, send, onState }: DraftSavesOptions) {
  let revision = first;
  let saved = current();
  let change = 0;
  let running: Promise<void> = Promise.resolve();

  const next = (template: Template): DraftSave => ({ template, revision, window, change: ++change });

  async function save(): Promise<void> {
    const template = current();
    // Changed and taken back within the pause: nothing to save.
    if (template === saved) return onState({ kind: 'saved' });
    try {
      ({ revision } = await send(next(template)));
      saved = template;
      // What has changed since has a save of its own coming.
      if (current() === template) onState({ kind: 'saved' });
    } catch (error) {
      const { message, code } = error as ApiError;
      onState({ kind: kindOf(code), message });
      // Once the line is back, what there is then is saved; nobody has to wait for it.
      if (isOffline(error)) void lineBack().then(flush);
    }
  }

  const flush = (): Promise<void> => (running = running.then(save));

  return {
    /** Saves what there is now, after what is under way. */
    flush,
    /**
     * What is saved next follows another's template.
     *
     * @returns what both knew, and the other's with one's own changes since then
     */
    join: (theirs: Template, theirRevision: number): { readonly base: Template; readonly both: Template } => {
      const base = saved;
      const merged = mergeTemplates(base, current(), theirs);
      // The very same where nothing of one's own is left: else two windows would answer each other for ever.
      const both = saysTheSame(merged, theirs) ? theirs : merged;
      [saved, revision] = [theirs, theirRevision];
      return { base, both };
    },
    /** What the server took last. */
    saved: (): Template => saved,
    /** True where the server has not got all there is. */
    isWaiting: (): boolean => current() !== saved,
    /** Ends when what was asked for by now is over. */
    underway: (): Promise<void> => running,
    /** What a page that is going has to send at once; null where the server has it all. */
    last: (): DraftSave | null => (current() === saved ? null : next(current())),
    /** The newest revision that is known. */
    revision: (): number => revision,
  };
}
