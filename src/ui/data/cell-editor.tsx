'use client';
import { useRef } from 'react';

type CellEditorProps = {
  readonly label: string;
  readonly text: string;
  readonly onEnd: (text: string | null, on: 'down' | 'right' | 'left' | null) => void;
};

/** A cell while it is changed: Enter and Tab go on to the next, Escape leaves it as it was. */
export function CellEditor({ label, text, onEnd }: CellEditorProps) {
  const isOver = useRef(false);
  const end = (value: string | null, on: 'down' | 'right' | 'left' | null) => {
    if (isOver.current) return;
    isOver.current = true;
    onEnd(value, on);
  };
  return (
    <input
      className="form-control"
      aria-label={label}
      // What is changed is what is looked at.
      autoFocus
      defaultValue={text}
      maxLength={2000}
      onBlur={(event) => end(event.currentTarget.value.trim(), null)}
      onKeyDown={(event) => {
        event.stopPropagation();
        const value = event.currentTarget.value.trim();
        if (event.key === 'Enter') end(value, 'down');
        else if (event.key === 'Tab') end(value, event.shiftKey ? 'left' : 'right');
        else if (event.key === 'Escape') end(null, null);
        else return;
        event.preventDefault();
      }}
    />
  );
}
