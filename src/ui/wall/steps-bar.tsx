'use client';
import { usePathname, useSearchParams } from 'next/navigation';
import type { Seen } from '@/server/services';
import { OthersNote } from '../people/others-note';
import type { SaveState } from '../template/draft-saves';

export const STEPS = ['photos', 'template', 'centre', 'check', 'export'] as const;
export type Step = (typeof STEPS)[number];

export const STEP_TITLES: Readonly<Record<Step, string>> = {
  photos: 'Photos',
  template: 'Template',
  centre: 'Centre',
  check: 'Check',
  export: 'Export',
};

/** The step of the work that the address names. */
export function useStep(): readonly [Step, (step: Step) => void] {
  const path = usePathname();
  const asked = useSearchParams().get('step');
  const step = STEPS.find((s) => s === asked) ?? 'template';
  // By the browser alone: a step needs nothing of the server, which may be out of reach.
  return [step, (next) => window.history.replaceState(null, '', `${path}?step=${next}`)];
}

function saveWords(state: SaveState): string {
  if (state.kind === 'saved') return 'saved';
  return state.kind === 'saving' ? 'saving…' : `✕ ${state.message}`;
}

type StepsBarProps = {
  readonly name: string;
  readonly save: SaveState;
  /** Who else is here. */
  readonly others: Seen['others'];
  /** Takes another window's changes in, after they were saved meanwhile. */
  readonly onJoin: () => void;
  /** Takes the template back to what was saved last, after a change that is not taken. */
  readonly onGoBack: () => void;
  readonly step: Step;
  readonly onStep: (step: Step) => void;
  /** What each step comes to, in a few words. */
  readonly subtitles: Readonly<Record<Step, string>>;
};

/** On top: the batch, whether it is saved, and the five steps of the work. */
export function StepsBar({ name, save, others, onJoin, onGoBack, step, onStep, subtitles }: StepsBarProps) {
  return (
    <div className="steps">
      <div className="batch-name">
        <h1 className="title name-line mb-0" title={name}>
          {name}
        </h1>
        <span
          className={`small-text ${save.kind === 'saved' || save.kind === 'saving' ? 'muted' : 'text-danger'}`}
          role="status"
        >
          {saveWords(save)}
        </span>
        <OthersNote others={others} />
        {save.kind === 'conflict' && (
          <button
            type="button"
            className="btn btn-quiet"
            title="Where both changed the same, the other window’s change stands"
            onClick={onJoin}
          >
            Take those in, keep mine
          </button>
        )}
        {save.kind === 'refused' && (
          <button type="button" className="btn btn-quiet" onClick={onGoBack}>
            Back to what is saved
          </button>
        )}
      </div>
      {STEPS.map((s) => (
        <button
          key={s}
          type="button"
          className="step"
          aria-current={s === step ? 'step' : undefined}
          onClick={() => onStep(s)}
        >
          <span className="title">{STEP_TITLES[s]}</span>
          <span className="sub small-text muted name-line d-block">{subtitles[s]}</span>
        </button>
      ))}
    </div>
  );
}
