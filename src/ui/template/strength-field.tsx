'use client';
import { NumberField } from '../shared/number-field';

type StrengthFieldProps = {
  /** 0…1. */
  readonly value: number;
  readonly onChange: (share: number) => void;
  readonly onDrag: (active: boolean) => void;
};

/** How strongly a layer shows, in per cent. */
export const StrengthField = ({ value, onChange, onDrag }: StrengthFieldProps) => (
  <NumberField
    label="Strength"
    value={Math.round(value * 1000) / 10}
    min={0}
    max={100}
    unit="%"
    slider={[0, 100]}
    onChange={(v) => onChange(v / 100)}
    onDrag={onDrag}
  />
);
