'use client';
import { LayerRows } from '../layers/layer-rows';
import { SetRows } from '../layers/set-rows';
import { askFor } from '../shared/asked';
import { Section } from '../shared/section';
import type { Template } from '@/core/template';
import type { TemplateStore } from './store';
import { backdropPaintWords, coloursWords, layersWords, matWords } from './words';

type RowProps = { readonly title: string; readonly words: string; readonly section: string };

/** What there always is, with the way to its section. */
function Row({ title, words, section }: RowProps) {
  return (
    <div className="layer layer-fixed">
      <button type="button" className="layer-head" onClick={() => askFor(section)}>
        <span>{title}</span>
        <span className="muted">{words}</span>
      </button>
    </div>
  );
}

/** All layers of the template, the uppermost first. */
export function LayersSection({ template, store }: { readonly template: Template; readonly store: TemplateStore }) {
  const rows = { template, store };
  return (
    <Section title="Layers" value={layersWords(template)}>
      <div className="layer-rows">
        <LayerRows list="captions" section="Captions" {...rows} />
        <LayerRows list="before" section="On top" {...rows} />
        <LayerRows list="borders" section="Borders" {...rows} />
        <LayerRows list="tints" section="Tints" {...rows} />
        <Row title="Photo" words={coloursWords(template)} section="Colours" />
        <LayerRows list="shadows" section="Shadows" {...rows} />
        <LayerRows list="behind" section="Backdrop" {...rows} />
        <Row title="Backdrop" words={backdropPaintWords(template)} section="Backdrop" />
        <Row title="Mat" words={matWords(template)} section="Mat" />
        <SetRows {...rows} />
      </div>
    </Section>
  );
}
