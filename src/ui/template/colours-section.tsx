'use client';
import { Button } from 'react-bootstrap';
import { NO_FILTERS, type Filters } from '@/core/paint';
import type { Template } from '@/core/template';
import { ChoiceField } from '../shared/choice-field';
import { ColourField } from '../paint/colour-field';
import { NumberField } from '../shared/number-field';
import { Section } from '../shared/section';
import type { TemplateStore } from './store';
import { StrengthField } from '../layers/strength-field';
import { coloursWords } from './words';

type Amount = Exclude<keyof Filters, 'recolour' | 'hueRotate'>;

/** In the order in which they are applied: label, and the slider's end in per cent. */
const AMOUNTS: readonly (readonly [Amount, string, number])[] = [
  ['brightness', 'Brightness', 200],
  ['contrast', 'Contrast', 200],
  ['saturate', 'Saturation', 200],
  ['grayscale', 'Grey', 100],
  ['sepia', 'Sepia', 100],
];
const TWO_TONES = { dark: '#201510', light: '#f4e9d0', strength: 1 } as const;

/** The photo's own colours. */
export function ColoursSection({ template, store }: { readonly template: Template; readonly store: TemplateStore }) {
  const { filters } = template;
  const set = (fields: Partial<Filters>) => store.change((t) => ({ ...t, filters: { ...t.filters, ...fields } }));
  const { recolour } = filters;
  const isPlain = JSON.stringify(filters) === JSON.stringify(NO_FILTERS);
  return (
    <Section title="Colours" group="colours" value={coloursWords(template)}>
      {AMOUNTS.map(([key, label, end]) => (
        <NumberField
          key={key}
          label={label}
          value={Math.round(filters[key] * 1000) / 10}
          min={0}
          max={end === 100 ? 100 : 1000}
          unit="%"
          slider={[0, end]}
          onChange={(v) => set({ [key]: v / 100 })}
          onDrag={store.drag}
        />
      ))}
      <NumberField
        label="Hue turned"
        value={filters.hueRotate}
        min={-3600}
        max={3600}
        unit="°"
        slider={[-180, 180]}
        onChange={(hueRotate) => set({ hueRotate })}
        onDrag={store.drag}
      />
      <ChoiceField
        label="Two tones"
        value={recolour ? 'on' : 'off'}
        options={{ off: 'no', on: 'yes' }}
        onChange={(v) => set({ recolour: v === 'on' ? TWO_TONES : null })}
      />
      {recolour && (
        <>
          <ColourField
            label="Dark"
            value={recolour.dark}
            onChange={(dark) => set({ recolour: { ...recolour, dark } })}
            onDrag={store.drag}
          />
          <ColourField
            label="Light"
            value={recolour.light}
            onChange={(light) => set({ recolour: { ...recolour, light } })}
            onDrag={store.drag}
          />
          <StrengthField
            value={recolour.strength}
            onChange={(strength) => set({ recolour: { ...recolour, strength } })}
            onDrag={store.drag}
          />
        </>
      )}
      {!isPlain && (
        <Button variant="quiet" onClick={() => set(NO_FILTERS)}>
          Colours as they are in the photo
        </Button>
      )}
    </Section>
  );
}
