'use client';
import { useDeferredValue, useMemo } from 'react';
import { ratioOf, STARTING_FINISHES, withFinish, type Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';
import { CutoutCanvas } from '../shared/cutout-canvas';
import { Section } from '../shared/section';
import type { TemplateStore } from './store';

/** Longest side of a picture, CSS pixels. */
const SIZE = 74;

type FinishSectionProps = {
  readonly template: Template;
  readonly store: TemplateStore;
  /** The photo that finishes are shown on. */
  readonly photo: PhotoRow | undefined;
};

function Finishes({ template, store, photo }: FinishSectionProps & { readonly photo: PhotoRow }) {
  // Sliders go first; these follow when there is time.
  const settled = useDeferredValue(template);
  const made = useMemo(
    () => STARTING_FINISHES.map((finish) => ({ ...finish, template: withFinish({ ...settled, slots: [] }, finish) })),
    [settled],
  );
  return (
    <div className="finishes">
      {made.map((finish) => {
        const ratio = ratioOf(finish.template);
        const width = Math.round(Math.min(SIZE, SIZE / ratio));
        return (
          <button key={finish.id} type="button" onClick={() => store.change((t) => withFinish(t, finish))}>
            <CutoutCanvas template={finish.template} photo={photo} width={width * 2} cssWidth={width} label="" />
            <span>{finish.name}</span>
          </button>
        );
      })}
    </div>
  );
}

/** Looks to begin with, on the batch's own photo: one click takes one, one step back undoes it. */
export function FinishSection({ photo, ...props }: FinishSectionProps) {
  return (
    <Section title="Finish" value="ready ones to begin with">
      {photo ? (
        <Finishes {...props} photo={photo} />
      ) : (
        <p className="muted small-text mb-0">Bring photos in, and finishes are shown on one of them.</p>
      )}
    </Section>
  );
}
