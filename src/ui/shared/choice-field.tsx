'use client';
import { useId } from 'react';
import { useRoving } from './use-roving';

type ChoiceFieldProps<T extends string> = {
  readonly label: string;
  /** True where the label stands elsewhere already. */
  readonly bare?: boolean;
  readonly value: T;
  readonly options: Readonly<Record<T, string>>;
  readonly onChange: (value: T) => void;
};

/** A few words of which one holds; arrow keys move between them. */
export function ChoiceField<T extends string>({ label, bare, value, options, onChange }: ChoiceFieldProps<T>) {
  const id = useId();
  const keys = Object.keys(options) as T[];
  const { group, choice } = useRoving(keys, value, onChange);
  const buttons = (
    <div
      ref={group}
      className="choice"
      role="radiogroup"
      aria-labelledby={bare ? undefined : id}
      aria-label={bare ? label : undefined}
    >
      {keys.map((key) => (
        <button key={key} type="button" {...choice(key)}>
          {options[key]}
        </button>
      ))}
    </div>
  );
  if (bare) return buttons;
  return (
    <div className="field">
      <span className="label" id={id}>
        {label}
      </span>
      {buttons}
    </div>
  );
}
