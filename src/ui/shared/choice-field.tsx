'use client';
import { useId, useRef } from 'react';

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
  const group = useRef<HTMLDivElement>(null);
  const keys = Object.keys(options) as T[];
  const move = (by: number) => {
    const next = keys[(keys.indexOf(value) + by + keys.length) % keys.length]!;
    onChange(next);
    group.current?.querySelector<HTMLElement>(`[data-value="${next}"]`)?.focus();
  };
  const buttons = (
    <div
      ref={group}
      className="choice"
      role="radiogroup"
      aria-labelledby={bare ? undefined : id}
      aria-label={bare ? label : undefined}
    >
      {keys.map((key) => (
        <button
          key={key}
          type="button"
          role="radio"
          data-value={key}
          aria-checked={key === value}
          tabIndex={key === value ? 0 : -1}
          onClick={() => onChange(key)}
          onKeyDown={(event) => {
            if (event.key === 'ArrowRight' || event.key === 'ArrowDown') move(1);
            else if (event.key === 'ArrowLeft' || event.key === 'ArrowUp') move(-1);
            else return;
            event.preventDefault();
            event.stopPropagation();
          }}
        >
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
