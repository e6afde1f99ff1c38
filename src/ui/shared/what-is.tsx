'use client';
import { CircleHelp } from 'lucide-react';
import { useId, useRef, useState } from 'react';
import { Overlay, Tooltip } from 'react-bootstrap';
import { WORDS, type Word } from './glossary';

/** On the way from the mark to its words the pointer is over neither, ms. */
const LEAVE_MS = 200;

/** A small mark beside one of our own words that says what it means: by hover, focus and tap. */
export function WhatIs({ word }: { readonly word: Word }) {
  const id = useId();
  const [button, setButton] = useState<HTMLButtonElement | null>(null);
  const [open, setOpen] = useState(false);
  const leaving = useRef<ReturnType<typeof setTimeout>>(undefined);
  const show = () => {
    clearTimeout(leaving.current);
    setOpen(true);
  };
  const leave = () => {
    clearTimeout(leaving.current);
    leaving.current = setTimeout(() => setOpen(false), LEAVE_MS);
  };
  return (
    <>
      <button
        ref={setButton}
        type="button"
        className="what-is"
        aria-label={`What is “${word}”?`}
        aria-describedby={open ? id : undefined}
        onMouseEnter={show}
        onMouseLeave={leave}
        onFocus={show}
        onBlur={() => setOpen(false)}
        onClick={show}
        onKeyDown={(event) => {
          if (event.key !== 'Escape' || !open) return;
          event.stopPropagation();
          setOpen(false);
        }}
      >
        <CircleHelp size={14} aria-hidden />
      </button>
      <Overlay show={open} target={button} placement="bottom">
        <Tooltip id={id} onMouseEnter={show} onMouseLeave={leave}>
          {WORDS[word]}
        </Tooltip>
      </Overlay>
    </>
  );
}
