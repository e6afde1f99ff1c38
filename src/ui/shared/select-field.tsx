'use client';
import { useId, type ReactNode } from 'react';

type SelectFieldProps = {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  /** The options. */
  readonly children: ReactNode;
};

/** Options by their values, with what they are called. */
export const optionsOf = (words: Readonly<Record<string, string>>): ReactNode =>
  Object.entries(words).map(([value, label]) => (
    <option key={value} value={value}>
      {label}
    </option>
  ));

/** One of many in a panel's row. */
export function SelectField({ label, value, onChange, children }: SelectFieldProps) {
  const id = useId();
  return (
    <div className="field">
      <label htmlFor={id}>{label}</label>
      <select
        id={id}
        className="form-select form-select-sm"
        value={value}
        onChange={(event) => onChange(event.target.value)}
      >
        {children}
      </select>
    </div>
  );
}
