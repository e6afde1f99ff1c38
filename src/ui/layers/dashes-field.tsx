'use client';
import type { Border } from '@/core/layers';
import { ChoiceField } from '../shared/choice-field';
import { NumberField } from '../shared/number-field';

const LINES = { whole: 'whole', dashed: 'dashed', dotted: 'dotted' } as const;

type DashesFieldProps = {
  readonly label: string;
  readonly border: Border;
  readonly unit: string;
  readonly onChange: (fields: Partial<Border>) => void;
};

/** A line whole, dashed or dotted; more lengths than two are kept as the document has them. */
export function DashesField({ label, border: { width, dash, dashCap }, unit, onChange }: DashesFieldProps) {
  const kind = dash === null ? 'whole' : dash[0] === 0 && dashCap === 'round' ? 'dotted' : 'dashed';
  const length = { min: 0, max: 100_000, unit };
  const take = (next: string) => {
    if (next === 'whole') onChange({ dash: null });
    if (next === 'dashed') onChange({ dash: [width * 3, width * 2], dashCap: 'butt' });
    if (next === 'dotted') onChange({ dash: [0, width * 2], dashCap: 'round' });
  };
  return (
    <>
      <ChoiceField label={label} value={kind} options={LINES} onChange={take} />
      {dash && kind === 'dashed' && (
        <NumberField
          label="Dash"
          value={dash[0]!}
          {...length}
          onChange={(v) => onChange({ dash: [v, ...dash.slice(1)] })}
        />
      )}
      {dash && (
        <NumberField
          label="Space"
          value={dash[1] ?? dash[0]!}
          {...length}
          onChange={(v) => onChange({ dash: [dash[0]!, v, ...dash.slice(2)] })}
        />
      )}
    </>
  );
}
