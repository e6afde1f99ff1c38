'use client';
import { useId, useState, type ReactNode } from 'react';

type SectionProps = {
  readonly title: string;
  readonly value: string;
  readonly startOpen?: boolean;
  /** Where only one of several is open at a time: whether it is this one, and what to do as it is asked for. */
  readonly only?: { readonly open: boolean; readonly onToggle: (open: boolean) => void };
  readonly children: ReactNode;
};

/** One part of the recipe; closed, it says its value in words. */
export function Section({ title, value, startOpen = false, only, children }: SectionProps) {
  const [itself, setItself] = useState(startOpen);
  const open = only ? only.open : itself;
  const setOpen = only ? only.onToggle : setItself;
  const id = useId();
  return (
    <section className="section">
      <button type="button" className="head" aria-expanded={open} aria-controls={id} onClick={() => setOpen(!open)}>
        <span className="title">{title}</span>
        {!open && <span className="value">{value}</span>}
      </button>
      <div id={id} className="body" hidden={!open}>
        {open && children}
      </div>
    </section>
  );
}
