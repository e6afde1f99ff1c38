'use client';
import { holdsMetadata } from '@/core/metadata';
import { METADATA_LABELS, type Template } from '@/core/template';
import { PatternField } from '../shared/pattern-field';
import { Section } from '../shared/section';
import { FORMATS } from './outputs';
import type { TemplateStore } from '../template/store';

const LABELS: Readonly<Record<keyof typeof METADATA_LABELS, string>> = {
  title: 'Title',
  alt: 'Alt text',
  creator: 'Creator',
  copyright: 'Copyright',
};
const KEYS = Object.keys(LABELS) as (keyof typeof LABELS)[];

function metadataWords({ metadata }: Pick<Template, 'metadata'>): string {
  const said = KEYS.filter((key) => metadata[key] !== '').map((key) => METADATA_LABELS[key]);
  return said.length > 0 ? said.join(', ') : 'none';
}

/** What files say of themselves, for each photo from its data. */
export function MetadataSection({ template, store }: { readonly template: Template; readonly store: TemplateStore }) {
  const mute = template.outputs.filter((output) => !holdsMetadata(output)).map(({ name, format }) => `${name} (${FORMATS[format]})`); // prettier-ignore
  return (
    <Section title="Metadata" group="outputs" value={metadataWords(template)}>
      {KEYS.map((key) => (
        <PatternField
          key={key}
          label={LABELS[key]}
          value={template.metadata[key]}
          most={500}
          onChange={(text) => store.change((t) => ({ ...t, metadata: { ...t.metadata, [key]: text } }))}
          onDrag={store.drag}
        />
      ))}
      <p className="muted small-text mb-0">
        Nothing of the photos’ own metadata goes into files but what is asked for here.
        {mute.length > 0 && ` Not in ${mute.join(', ')}: that format holds none.`}
      </p>
    </Section>
  );
}
