'use client';
import { Button } from 'react-bootstrap';
import { edgeRelief, rough } from '@/core/layers';
import { readLength, type Template } from '@/core/template';
import { LayerForm } from '../layers/layer-form';
import { LayerParts } from '../layers/layer-parts';
import { ChoiceField } from '../shared/choice-field';
import { NumberField } from '../shared/number-field';
import { Section } from '../shared/section';
import type { TemplateStore } from './store';
import { edgeWords } from './words';

const SIDES = { inside: 'inside', centre: 'across', outside: 'outside' } as const;

const PARTS = { rough, relief: edgeRelief };

/** Corner rounding, the soft edge of the photo, and how its edge runs and stands. */
export function EdgeSection({ template, store }: { readonly template: Template; readonly store: TemplateStore }) {
  const { shape, frame, edge } = template;
  const side = Math.min(shape.box.width, shape.box.height);
  const set = (fields: Partial<Template['edge']>) => store.change((t) => ({ ...t, edge: { ...t.edge, ...fields } }));
  const length = {
    min: 0,
    max: 100_000,
    unit: frame.unit,
    read: (text: string, value: number) =>
      readLength(text, {
        value,
        unit: frame.unit,
        ppi: frame.ppi,
        whole: Math.min(frame.width, frame.height),
        signed: false,
      }),
    onDrag: store.drag,
  };
  return (
    <Section title="Edge" group="edge" value={edgeWords(template)} startOpen>
      <NumberField
        label="Rounding"
        value={edge.rounding}
        slider={[0, side / 2]}
        onChange={(rounding) => set({ rounding })}
        {...length}
      />
      <NumberField
        label="Feather"
        word="feather"
        value={edge.feather}
        slider={[0, side / 8]}
        onChange={(feather) => set({ feather })}
        {...length}
      />
      {edge.feather > 0 && (
        <ChoiceField
          label="Fades"
          value={edge.featherSide}
          options={SIDES}
          onChange={(featherSide) => set({ featherSide })}
        />
      )}
      {edge.pins.length > 0 && (
        <div className="d-flex align-items-center">
          <span className="small-text me-auto">
            Bent by {edge.pins.length} {edge.pins.length === 1 ? 'pin' : 'pins'}
          </span>
          <Button variant="quiet" onClick={() => set({ pins: [] })}>
            Straight again
          </Button>
        </div>
      )}
      <LayerParts
        form={(props) => <LayerForm {...props} />}
        parts={PARTS}
        values={edge}
        template={template}
        onChange={set}
        onDrag={store.drag}
      />
    </Section>
  );
}
