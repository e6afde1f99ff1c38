'use client';
import type { Template } from '@/core/template';
import { ChoiceField } from '../shared/choice-field';
import { ColourField } from '../shared/colour-field';
import { Section } from '../shared/section';
import type { TemplateStore } from './store';
import { backdropWords } from './words';

/** What lies behind the cutout in the file. */
export function BackdropSection({ template, store }: { template: Template; store: TemplateStore }) {
  const { backdrop } = template;
  const set = (colour: string | null) => store.change((t) => ({ ...t, backdrop: colour }));
  return (
    <Section title="Backdrop" word="backdrop" value={backdropWords(template)}>
      <ChoiceField
        label="In the file"
        value={backdrop === null ? 'none' : 'colour'}
        options={{ none: 'transparent', colour: 'a colour' }}
        onChange={(v) => set(v === 'none' ? null : '#ffffff')}
      />
      {backdrop !== null && <ColourField label="Colour" value={backdrop} onChange={set} onDrag={store.drag} />}
    </Section>
  );
}
