'use client';
import { NumberField } from '../shared/number-field';

type StrengthFieldProps = {
  readonly label?: string;
  /** 0…1. */
  readonly value: number;
  /** The least that it may be. */
  readonly least?: number;
  readonly onChange: (share: number) => void;
  readonly onDrag: (active: boolean) => void;
};

/** A share in per cent: how strongly a layer shows, for the most part. */
export const StrengthField = ({ label = 'Strength', value, least = 0, onChange, onDrag }: StrengthFieldProps) => (
  <NumberField
    label={label}
    value={Math.round(value * 1000) / 10}
    min={least * 100}
    max={100}
    unit="%"
    slider={[0, 100]}
    onChange={(v) => onChange(v / 100)}
    onDrag={onDrag}
  />
);
