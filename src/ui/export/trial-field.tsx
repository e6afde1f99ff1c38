'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { Output } from '@/core/template';
import type { Trial } from '@/server/services';
import { Dialog } from '../shared/dialog';
import { fileSize } from '../shared/words';

type TrialFieldProps = {
  readonly output: Output;
  /** Makes one file of the output. */
  readonly onTry: () => Promise<Trial>;
  /** Of the picture of what the format lost. */
  readonly lossAddress: string;
};

const trialWords = ({ photo, bytes, quality }: Trial): string =>
  `${fileSize(bytes)}${quality === null ? '' : `, quality ${quality}`} (${photo})`;

const lossWords = ({ loss }: Trial): string =>
  loss === null ? 'none' : `SSIM ${loss.ssim.toFixed(3)}, at most ${loss.largest} of 255`;

type LossDialogProps = { readonly address: string; readonly words: string; readonly onHide: () => void };

/** Where the format lost what. */
function LossDialog({ address, words, onHide }: LossDialogProps) {
  return (
    <Dialog title="What was lost, eight times as strong" size="lg" onHide={onHide}>
      <p className="muted small-text">
        {words}. Black is as it was. SSIM is 1 where nothing was lost; 0.98 and more is commonly held to be hard to see.
      </p>
      {/* The server makes it; it is no picture of the application's own. */}
      {/* oxlint-disable-next-line nextjs/no-img-element */}
      <img className="loss-picture" src={address} alt="Differences between the file and what it was made of" />
    </Dialog>
  );
}

type Tried = { readonly of: Output; readonly trial: Trial | null; readonly words: string };

/** On request: how large a file of this output becomes, and what its format loses; gone once the output is another. */
export function TrialField({ output, onTry, lossAddress }: TrialFieldProps) {
  const [tried, setTried] = useState<Tried | null>(null);
  const [looking, setLooking] = useState(false);
  const now = tried?.of === output ? tried : null;
  const ask = async () => {
    setTried({ of: output, trial: null, words: 'being made…' });
    const made = await onTry().then(
      (trial) => ({ trial, words: trialWords(trial) }),
      (error: Error) => ({ trial: null, words: `✕ ${error.message}` }),
    );
    setTried({ of: output, ...made });
  };
  const trial = now?.trial ?? null;
  return (
    <>
      <div className="field">
        <span className="label">File size</span>
        {now === null ? (
          <Button variant="quiet" className="justify-self-start" onClick={() => void ask()}>
            Try on one photo
          </Button>
        ) : (
          <span className="text-break" aria-live="polite">
            {now.words}
          </span>
        )}
      </div>
      {trial && (
        <div className="field">
          <span className="label">Loss</span>
          <span>
            {lossWords(trial)}{' '}
            {trial.loss && (
              <Button variant="quiet" onClick={() => setLooking(true)}>
                Look at it…
              </Button>
            )}
          </span>
        </div>
      )}
      {looking && trial && (
        <LossDialog address={lossAddress} words={lossWords(trial)} onHide={() => setLooking(false)} />
      )}
    </>
  );
}
