'use client';
import { amount } from '../shared/words';
import { showWords, type Show } from './order';

type FilterNoteProps = {
  readonly show: Show;
  readonly shown: number;
  readonly total: number;
  readonly onAll: () => void;
};

/** Over the wall where it does not show all photos: what it shows, and the way back. */
export function FilterNote({ show, shown, total, onAll }: FilterNoteProps) {
  if (show === 'all') return null;
  return (
    <div className="filter-note" aria-live="polite">
      <span>
        Showing {amount(shown)} of {amount(total)}: <strong>{showWords(show)}</strong>
      </span>
      <button type="button" className="btn btn-plain" onClick={onAll}>
        <span aria-hidden>✕ </span>Show all
      </button>
    </div>
  );
}
