'use client';
import { LayerRows } from '../layers/layer-rows';
import { SetRows } from '../layers/set-rows';
import { askFor } from '../shared/asked';
import { Section } from '../shared/section';
import type { Template } from '@/core/template';
import { Greyed } from './locks';
import type { TemplateStore } from './store';
import { backdropPaintWords, coloursWords, layersWords, matWords } from './words';

type RowProps = { readonly title: string; readonly words: string; readonly section: string };

/** What there always is, with the way to its section. */
function Row({ title, words, section }: RowProps) {
  return (
    <div className="layer">
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
        <Greyed group="captions">
          <LayerRows list="captions" section="Captions" {...rows} />
        </Greyed>
        <Greyed group="before">
          <LayerRows list="before" section="On top" {...rows} />
        </Greyed>
        <Greyed group="borders">
          <LayerRows list="borders" section="Borders" {...rows} />
        </Greyed>
        <Greyed group="tints">
          <LayerRows list="tints" section="Tints" {...rows} />
        </Greyed>
        <Row title="Photo" words={coloursWords(template)} section="Colours" />
        <Greyed group="shadows">
          <LayerRows list="shadows" section="Shadows" {...rows} />
        </Greyed>
        <Greyed group="backdrop">
          <LayerRows list="behind" section="Backdrop" {...rows} />
        </Greyed>
        <Row title="Backdrop" words={backdropPaintWords(template)} section="Backdrop" />
        <Row title="Mat" words={matWords(template)} section="Mat" />
        <Greyed group="before">
          <SetRows {...rows} />
        </Greyed>
      </div>
    </Section>
  );
}
