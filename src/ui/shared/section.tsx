'use client';
import { useId, useState, type ReactNode } from 'react';

type SectionProps = {
  readonly title: string;
  readonly value: string;
  readonly startOpen?: boolean;
  readonly children: ReactNode;
};

/** One part of the recipe; closed, it says its value in words. */
export function Section({ title, value, startOpen = false, children }: SectionProps) {
  const [open, setOpen] = useState(startOpen);
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
