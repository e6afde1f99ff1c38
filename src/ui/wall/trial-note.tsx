'use client';
import { Button } from 'react-bootstrap';

type TrialNoteProps = {
  readonly words: string;
  readonly onTake: () => void;
  readonly onBack: () => void;
};

/** Over the wall while it shows a change that has not been taken. */
export function TrialNote({ words, onTake, onBack }: TrialNoteProps) {
  return (
    <div className="filter-note" aria-live="polite">
      <span>
        Trying: <strong>{words}</strong>
      </span>
      <span className="d-flex gap-2">
        <Button onClick={onTake}>Take it</Button>
        <Button variant="plain" onClick={onBack}>
          Go back
        </Button>
      </span>
    </div>
  );
}
