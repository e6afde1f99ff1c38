'use client';
import { createContext, use, useId, useRef, useState } from 'react';
import { FILTERS } from '@/core/fields';

/** The fields of the batch's photo data. */
export const FieldsContext = createContext<readonly string[]>([]);

/** What every photo has to say. */
const OWN = {
  photo: 'name of the photo',
  index: 'number',
  batch: 'name of the batch',
  template: 'name of the template',
  output: 'name of the output',
  width: 'width in pixels',
  height: 'height in pixels',
} as const;

type PatternFieldProps = {
  readonly label: string;
  readonly value: string;
  /** Most letters. */
  readonly most: number;
  /** Whether it may be empty. */
  readonly emptiable?: boolean;
  readonly onChange: (text: string) => void;
  /** All that is typed at one go is one step to undo. */
  readonly onDrag: (active: boolean) => void;
};

/** A line of text in which fields in braces stand for something of each photo, with those there are at hand. */
export function PatternField({ label, value, most, emptiable = true, onChange, onDrag }: PatternFieldProps) {
  const id = useId();
  const fields = use(FieldsContext);
  const input = useRef<HTMLInputElement>(null);
  // What may not be kept is seen while it is typed.
  const [typed, setTyped] = useState<string | null>(null);
  const shown = typed ?? value;
  const change = (text: string) => {
    setTyped(text);
    if (emptiable || text.trim() !== '') onChange(text);
  };
  const insert = (text: string) => {
    const { selectionStart, selectionEnd } = input.current!;
    const [from, to] = [selectionStart ?? shown.length, selectionEnd ?? shown.length];
    onChange(`${shown.slice(0, from)}${text}${shown.slice(to)}`.slice(0, most));
    setTyped(null);
    input.current!.focus();
  };
  return (
    <div className="field">
      <label htmlFor={id}>{label}</label>
      <div className="pattern">
        <input
          ref={input}
          id={id}
          className="form-control"
          autoComplete="off"
          spellCheck={false}
          maxLength={most}
          value={shown}
          onFocus={() => onDrag(true)}
          onBlur={() => {
            setTyped(null);
            onDrag(false);
          }}
          onChange={(event) => change(event.target.value)}
        />
        <select
          className="form-select form-select-sm"
          aria-label={`Put a field into ${label.toLowerCase()}`}
          title="Put in a field"
          value=""
          onChange={(event) => insert(event.target.value)}
        >
          <option value="">{'{…}'}</option>
          <optgroup label="Every photo">
            {Object.entries(OWN).map(([field, words]) => (
              <option key={field} value={`{${field}}`}>
                {words}
              </option>
            ))}
          </optgroup>
          {fields.length > 0 && (
            <optgroup label="Photo data">
              {fields.map((field) => (
                <option key={field} value={`{${field}}`}>
                  {field}
                </option>
              ))}
            </optgroup>
          )}
          <optgroup label="Behind a field’s name">
            {Object.entries(FILTERS).map(([filter, words]) => (
              <option key={filter} value={`|${filter}`}>
                {`|${filter}: ${words}`}
              </option>
            ))}
          </optgroup>
        </select>
      </div>
    </div>
  );
}
