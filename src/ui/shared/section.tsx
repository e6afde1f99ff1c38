'use client';
import { useId, useRef, useState, type ReactNode } from 'react';

import { Lock } from 'lucide-react';
import type { FieldGroup } from '@/core/template';
import { Lockable, useLocked } from '../template/locks';
import { useAsking } from './asked';
import { WORDS, type Word } from './glossary';
import { WhatIs } from './what-is';

type SectionProps = {
  readonly title: string;
  readonly value: string;
  /** The part of the template that it is about, which may be locked. */
  readonly group?: FieldGroup;
  /** A word of our own that it is about. */
  readonly word?: Word;
  readonly startOpen?: boolean;
  /** Where only one of several is open at a time: whether it is this one, and what to do as it is asked for. */
  readonly only?: { readonly open: boolean; readonly onToggle: (open: boolean) => void };
  readonly children: ReactNode;
};

/** One part of the recipe; closed, it says its value in words. */
export function Section({ title, value, group, word, startOpen = false, only, children }: SectionProps) {
  const [itself, setItself] = useState(startOpen);
  const open = only ? only.open : itself;
  const setOpen = only ? only.onToggle : setItself;
  const id = useId();
  const locked = useLocked(group);
  const head = useRef<HTMLButtonElement>(null);
  useAsking(({ section }) => {
    if (section !== title) return;
    setOpen(true);
    head.current?.focus();
    // Once it is open there is room to scroll to it.
    requestAnimationFrame(() => head.current?.scrollIntoView({ block: 'start' }));
  });
  return (
    <section className="section">
      <div className="d-flex align-items-center">
        <button
          ref={head}
          type="button"
          className="head"
          aria-expanded={open}
          aria-controls={id}
          title={word && WORDS[word]}
          onClick={() => setOpen(!open)}
        >
          <span className="title">{title}</span>
          {locked && <Lock size={13} className="muted" aria-label="locked" />}
          {!open && <span className="value">{value}</span>}
        </button>
        {word && open && <WhatIs word={word} />}
      </div>
      <div id={id} className="body" hidden={!open}>
        {open && <Lockable group={group}>{children}</Lockable>}
      </div>
    </section>
  );
}
