'use client';
import { CircleHelp } from 'lucide-react';
import { useId, useState } from 'react';
import { Overlay, Tooltip } from 'react-bootstrap';
import { WORDS, type Word } from './glossary';

/** A small mark beside one of our own words that says what it means: by hover, focus and tap. */
export function WhatIs({ word }: { readonly word: Word }) {
  const id = useId();
  const [button, setButton] = useState<HTMLButtonElement | null>(null);
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        ref={setButton}
        type="button"
        className="what-is"
        aria-label={`What is “${word}”?`}
        aria-describedby={open ? id : undefined}
        onMouseEnter={() => setOpen(true)}
        onMouseLeave={() => setOpen(false)}
        onFocus={() => setOpen(true)}
        onBlur={() => setOpen(false)}
        onClick={() => setOpen(true)}
        onKeyDown={(event) => {
          if (event.key !== 'Escape' || !open) return;
          event.stopPropagation();
          setOpen(false);
        }}
      >
        <CircleHelp size={14} aria-hidden />
      </button>
      <Overlay show={open} target={button} placement="auto">
        <Tooltip id={id}>{WORDS[word]}</Tooltip>
      </Overlay>
    </>
  );
}
