'use client';
import { LayerRows } from '../layers/layer-rows';
import { SetRows } from '../layers/set-rows';
import { askFor } from '../shared/asked';
import { Section } from '../shared/section';
import type { LayerList } from '@/core/layers';
import type { Template } from '@/core/template';
import { Greyed } from './locks';
import type { TemplateStore } from './store';
import { backdropPaintWords, coloursWords, layersWords, matWords } from './words';

type Rows = { readonly template: Template; readonly store: TemplateStore };

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

type ListProps = { readonly list: LayerList; readonly section: string } & Rows;

/** The rows of one list, greyed where it is locked. */
function List({ list, section, ...rows }: ListProps) {
  return (
    <Greyed group={list === 'behind' ? 'backdrop' : list}>
      <LayerRows list={list} section={section} {...rows} />
    </Greyed>
  );
}

/** All layers of the template, the uppermost first. */
export function LayersSection({ template, store }: Rows) {
  const rows = { template, store };
  return (
    <Section title="Layers" value={layersWords(template)}>
      <div className="layer-rows">
        <List list="captions" section="Captions" {...rows} />
        <List list="before" section="On top" {...rows} />
        <List list="borders" section="Borders" {...rows} />
        <List list="tints" section="Tints" {...rows} />
        <Row title="Photo" words={coloursWords(template)} section="Colours" />
        <List list="shadows" section="Shadows" {...rows} />
        <List list="behind" section="Backdrop" {...rows} />
        <Row title="Backdrop" words={backdropPaintWords(template)} section="Backdrop" />
        <Row title="Mat" words={matWords(template)} section="Mat" />
        <Greyed group="before">
          <SetRows {...rows} />
        </Greyed>
      </div>
    </Section>
  );
}
