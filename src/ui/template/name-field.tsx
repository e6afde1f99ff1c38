'use client';
import { useId, useState } from 'react';

type NameFieldProps = {
  readonly label: string;
  readonly value: string;
  /** Most letters. */
  readonly most: number;
  /** True where it may be nothing. */
  readonly isOptional?: boolean;
  /** Called with what was typed, once it is whole. */
  readonly onChange: (value: string) => void;
};

/** A short text that holds only when it is finished: Enter or leaving it. */
export function NameField({ label, value, most, isOptional = false, onChange }: NameFieldProps) {
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const commit = () => {
    const text = typed?.trim();
    setTyped(null);
    if (text !== undefined && (text !== '' || isOptional) && text !== value) onChange(text);
  };
  return (
    <div className="field">
      <label htmlFor={id}>{label}</label>
      <input
        id={id}
        className="form-control"
        autoComplete="off"
        spellCheck={false}
        maxLength={most}
        value={typed ?? value}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit();
          if (event.key === 'Escape') setTyped(null);
        }}
      />
    </div>
  );
}
