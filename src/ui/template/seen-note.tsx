'use client';
import { Button } from 'react-bootstrap';
import { seenKinds, type SeenKinds } from '@/core/placement';
import type { Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';
import { plural } from '../shared/words';
import { FRESH } from './centring-panel';
import type { TemplateStore } from './store';

type Rule = Template['centring']['rule'];

/** "14 faces, 2 subjects, 1 not sure." */
export function seenWords({ faces, subjects, unsure, nothing }: SeenKinds): string {
  const words = [
    ...(faces > 0 ? [plural(faces, 'face')] : []),
    ...(subjects > 0 ? [plural(subjects, 'subject')] : []),
    ...(unsure > 0 ? [`${unsure} not sure`] : []),
    ...(nothing > 0 ? [`${nothing} with ${faces > 0 ? 'neither' : 'none'}`] : []),
  ];
  return `Seen: ${words.join(', ')}.`;
}

/** The one or two rules that make sense of what was seen, with what a button says. */
export function rulesFor({ faces, subjects, unsure, nothing }: SeenKinds): readonly (readonly [Rule, string])[] {
  const things = subjects + unsure;
  if (faces > 0 && things + nothing === 0) return [['face', 'Centre the faces']];
  if (faces === 0 && things > 0) return [['subject', 'Centre the subjects']];
  if (faces === 0) return [];
  return [
    ['auto', 'Suit each photo'],
    faces > things ? ['face', 'Centre the faces'] : ['subject', 'Centre the subjects'],
  ];
}

type SeenNoteProps = {
  readonly template: Template;
  readonly store: TemplateStore;
  /** Those that are exported. */
  readonly photos: readonly PhotoRow[];
};

/** What was seen in the batch, and the rules that suit it. */
export function SeenNote({ template, store, photos }: SeenNoteProps) {
  const looked = photos.filter(({ sight }) => sight !== null);
  if (looked.length === 0) return null;
  const kinds = seenKinds(looked, template.limits.confidence);
  const rules = rulesFor(kinds).filter(([rule]) => rule !== template.centring.rule);
  return (
    <section className="side-block" aria-label="What was seen">
      <p className="mb-1">{seenWords(kinds)}</p>
      {rules.map(([rule, words]) => (
        <Button
          key={rule}
          variant="plain"
          className="me-2"
          onClick={() => store.change((t) => ({ ...t, centring: { ...t.centring, rule, ...FRESH[rule] } }))}
        >
          {words}
        </Button>
      ))}
    </section>
  );
}
