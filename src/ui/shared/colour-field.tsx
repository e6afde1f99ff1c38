'use client';
import { useId, useState } from 'react';
import { colourSchema, parseColour } from '@/core/paint';

/** The colour without its alpha as #rrggbb, which is all a colour input takes. */
export function opaqueHex(colour: string): string {
  const { r, g, b } = parseColour(colour);
  return `#${[r, g, b]
    .map((v) =>
      Math.round(v * 255)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
}

type ColourFieldProps = {
  readonly label: string;
  readonly value: string;
  readonly onChange: (colour: string) => void;
  readonly onDrag?: (active: boolean) => void;
};

/** A colour to pick or to type in CSS hex notation. */
export function ColourField({ label, value, onChange, onDrag }: ColourFieldProps) {
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const commit = (text: string) => {
    setTyped(null);
    const colour = text.trim().startsWith('#') ? text.trim() : `#${text.trim()}`;
    if (colourSchema.safeParse(colour).success && colour !== value) onChange(colour.toLowerCase());
  };
  return (
    <div className="field">
      <label htmlFor={id}>{label}</label>
      <div className="d-flex gap-2">
        <input
          type="color"
          aria-label={`${label}, picker`}
          value={opaqueHex(value)}
          onFocus={() => onDrag?.(true)}
          onBlur={() => onDrag?.(false)}
          onChange={(event) => onChange(event.target.value)}
        />
        <input
          id={id}
          className="form-control"
          style={{ width: '7rem' }}
          autoComplete="off"
          spellCheck={false}
          value={typed ?? value}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={(event) => commit(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && commit(event.currentTarget.value)}
        />
      </div>
    </div>
  );
}
