'use client';
import { useState, type ReactNode } from 'react';
import { Form } from 'react-bootstrap';
import { amount, plural } from './words';

/** How many are shown at once: among more, words are looked for. */
const MOST = 24;

type LongListProps<T> = {
  readonly all: readonly T[];
  /** What one of them is called, and several. */
  readonly noun: string;
  readonly nouns?: string;
  /** What is searched of one. */
  readonly textOf: (one: T) => string;
  /** Draws those that are shown. */
  readonly children: (shown: readonly T[]) => ReactNode;
};

/** A list that may get long: above many a search, and of what it finds the first. */
export function LongList<T>({ all, noun, nouns = `${noun}s`, textOf, children }: LongListProps<T>) {
  const [search, setSearch] = useState('');
  const isLong = all.length > MOST;
  const wanted = isLong ? search.trim().toLowerCase() : '';
  const found = all.filter((one) => textOf(one).toLowerCase().includes(wanted));
  return (
    <>
      {isLong && (
        <Form.Control
          type="search"
          size="sm"
          className="mb-2"
          aria-label={`Look for a ${noun}`}
          placeholder={`Look for one of ${plural(all.length, noun, nouns)}`}
          value={search}
          onChange={(event) => setSearch(event.target.value)}
        />
      )}
      {found.length > 0 && children(found.slice(0, MOST))}
      {found.length > MOST && (
        <p className="muted small-text mt-2">and {amount(found.length - MOST)} more: look for them above.</p>
      )}
      {isLong && found.length === 0 && <p className="muted">No {noun} found.</p>}
    </>
  );
}
