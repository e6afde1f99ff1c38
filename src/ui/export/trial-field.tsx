'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { Output } from '@/core/template';
import type { Trial } from '@/server/services';
import { fileSize } from '../shared/words';

type TrialFieldProps = {
  readonly output: Output;
  /** Makes one file of the output. */
  readonly onTry: () => Promise<Trial>;
};

const trialWords = ({ photo, bytes, quality }: Trial): string =>
  `${fileSize(bytes)}${quality === null ? '' : `, quality ${quality}`} (${photo})`;

/** On request: how large a file of this output becomes; gone once the output is another. */
export function TrialField({ output, onTry }: TrialFieldProps) {
  const [tried, setTried] = useState<{ readonly of: Output; readonly words: string } | null>(null);
  const words = tried?.of === output ? tried.words : null;
  const ask = async () => {
    setTried({ of: output, words: 'being made…' });
    const said = await onTry().then(trialWords, (error: Error) => `✕ ${error.message}`);
    setTried({ of: output, words: said });
  };
  return (
    <div className="field">
      <span className="label">File size</span>
      {words === null ? (
        <Button variant="quiet" className="justify-self-start" onClick={() => void ask()}>
          Try on one photo
        </Button>
      ) : (
        <span className="text-break" aria-live="polite">
          {words}
        </span>
      )}
    </div>
  );
}
