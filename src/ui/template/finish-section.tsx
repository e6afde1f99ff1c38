'use client';
import { useMemo } from 'react';
import { STARTING_FINISHES, withFinish, type Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';
import { Section } from '../shared/section';
import { useSettled } from '../shared/use-settled';
import { Looks } from './looks';
import type { TemplateStore } from './store';

type FinishSectionProps = {
  readonly template: Template;
  readonly store: TemplateStore;
  /** The photo that finishes are shown on. */
  readonly photo: PhotoRow | undefined;
};

function Finishes({ template, store, photo }: FinishSectionProps & { readonly photo: PhotoRow }) {
  // Sliders go first; these follow when they rest.
  const settled = useSettled(template);
  const made = useMemo(
    () =>
      STARTING_FINISHES.map((finish) => ({
        ...finish,
        template: withFinish({ ...settled, slots: [] }, finish),
        onTake: () => store.change((t) => withFinish(t, finish)),
      })),
    [settled, store],
  );
  return <Looks looks={made} photo={photo} />;
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
