'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { demoFiles } from './demo-photos';
import { MayButton } from '../people/may-button';

type FirstStepsProps = {
  readonly onFiles: (files: readonly File[]) => void;
  /** To where photos are picked; null where that is beside it already. */
  readonly onPick: (() => void) | null;
};

/** An empty batch: what happens here in three sentences, and photos for those who have none at hand. */
export function FirstSteps({ onFiles, onPick }: FirstStepsProps) {
  const [isBusy, setBusy] = useState(false);
  const [error, setError] = useState<string | null>(null);
  const bring = async () => {
    setBusy(true);
    try {
      onFiles(await demoFiles());
    } catch (e) {
      setError((e as Error).message);
      setBusy(false);
    }
  };
  return (
    <div className="empty first-steps bg-white">
      <ol>
        <li>Drop a folder of photos here: each shows at once as a finished cutout.</li>
        <li>Change the template on the left, and all of them change with it; mend the few that need it by hand.</li>
        <li>Export every size and format in one go; your own files are never changed.</li>
      </ol>
      <div className="d-flex gap-2 justify-content-center flex-wrap">
        {onPick && <Button onClick={onPick}>Bring in photos</Button>}
        <MayButton least="artist" variant="plain" disabled={isBusy} onClick={() => void bring()}>
          {isBusy ? 'Bringing them in…' : 'Try it with 16 demo portraits'}
        </MayButton>
      </div>
      {error && (
        <p className="text-danger mt-2 mb-0" role="alert">
          ✕ {error}
        </p>
      )}
    </div>
  );
}
