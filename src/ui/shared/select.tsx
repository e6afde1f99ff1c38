'use client';
import { useId } from 'react';

type SelectProps = {
  readonly label: string;
  readonly value: string;
  readonly options: readonly (readonly [value: string, label: string])[];
  /** Whether it takes the room that its longest option needs. */
  readonly wide?: boolean;
  readonly onChange: (value: string) => void;
};

/** One of many, with its label before it. */
export function Select({ label, value, options, wide = false, onChange }: SelectProps) {
  const id = useId();
  return (
    <div className="d-flex align-items-center gap-2">
      <label className="muted text-nowrap" htmlFor={id}>
        {label}
      </label>
      <select
        id={id}
        className="form-select form-select-sm w-auto"
        style={wide ? undefined : { maxWidth: '5.25rem' }}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      >
        {options.map(([key, words]) => (
          <option key={key} value={key}>
            {words}
          </option>
        ))}
      </select>
    </div>
  );
}
