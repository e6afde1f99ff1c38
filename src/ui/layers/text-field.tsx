'use client';
import { useId, useRef } from 'react';

/** What captions may say of each photo. */
const FIELDS = { photo: 'name of the photo', index: 'number', batch: 'name of the batch' } as const;

type TextFieldProps = {
  readonly label: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
  readonly onDrag: (active: boolean) => void;
};

/** A line of text, with what stands for something of each photo at hand. */
export function TextField({ label, value, onChange, onDrag }: TextFieldProps) {
  const id = useId();
  const input = useRef<HTMLInputElement>(null);
  const insert = (field: string) => {
    const { selectionStart, selectionEnd } = input.current!;
    const [from, to] = [selectionStart ?? value.length, selectionEnd ?? value.length];
    onChange(`${value.slice(0, from)}{${field}}${value.slice(to)}`);
    input.current!.focus();
  };
  return (
    <>
      <div className="field">
        <label htmlFor={id}>{label}</label>
        <input
          ref={input}
          id={id}
          className="form-control"
          autoComplete="off"
          maxLength={500}
          value={value}
          // All that is typed at one go is one step to undo.
          onFocus={() => onDrag(true)}
          onBlur={() => onDrag(false)}
          onChange={(event) => onChange(event.target.value)}
        />
      </div>
      <div className="field">
        <span className="label">Put in</span>
        <div className="put-in">
          {Object.entries(FIELDS).map(([field, words]) => (
            <button key={field} type="button" title={words} onClick={() => insert(field)}>
              {`{${field}}`}
            </button>
          ))}
        </div>
      </div>
    </>
  );
}
