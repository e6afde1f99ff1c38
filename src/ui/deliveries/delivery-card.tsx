'use client';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import Link from 'next/link';
import { useState } from 'react';
import { ProgressBar } from 'react-bootstrap';
import type { DeliveryProgress } from '@/server/services';
import { anew } from '../shared/anew';
import { api } from '../shared/api';
import { amount, byWhom, fileSize, plural, when } from '../shared/words';
import { isOver, useProgress } from './use-progress';
import { FindingMark } from '../shared/finding-mark';
import { MayButton } from '../people/may-button';

const STATES: Readonly<Record<DeliveryProgress['state'], string>> = {
  waiting: 'Waits for its turn',
  running: 'Being made',
  done: 'Done',
  cancelled: 'Cancelled',
  failed: 'Stopped',
};

function FailedList({ id }: { id: number }) {
  const { data } = useQuery({
    queryKey: ['deliveries', 'failed', id],
    queryFn: () => api<{ failed: { photo: string; error: string | null }[] }>(`/api/deliveries/${id}`),
  });
  return (
    <ul className="list-plain small-text">
      {data?.failed.map(({ photo, error }, i) => (
        <li key={i}>
          <strong>{photo}</strong>: {error}
        </li>
      ))}
    </ul>
  );
}

/** How many files are as they were before. */
function takenWords({ state, filesTaken, filesDone }: DeliveryProgress): string {
  if (state !== 'done' || filesTaken === 0) return '';
  return filesTaken === filesDone ? ', all as before' : `, ${amount(filesTaken)} as before`;
}

type DeliveryCardProps = {
  readonly delivery: DeliveryProgress;
  readonly showBatch?: boolean;
  /** Whether it stands on another page than its own. */
  readonly withLink?: boolean;
};

/** One delivery: how far it is, and what can be done with it. */
export function DeliveryCard({ delivery, showBatch = false, withLink = false }: DeliveryCardProps) {
  const progress = useProgress(delivery);
  const client = useQueryClient();
  const [error, setError] = useState<string | null>(null);
  const over = isOver(progress);
  const act = async (what: 'cancel' | 'resume' | 'again') => {
    try {
      await api(`/api/deliveries/${progress.id}/${what}`, 'POST');
      setError(null);
    } catch (e) {
      setError((e as Error).message);
    }
    await anew(client, ['deliveries']);
  };
  const size = progress.bytes > 0 ? `, ${fileSize(progress.bytes)}` : '';
  return (
    <article aria-label={`Delivery ${progress.id}`} data-delivery={progress.id} data-state={progress.state}>
      <div className="d-flex justify-content-between gap-2 flex-wrap align-items-baseline">
        <strong className="name-line">
          {showBatch && `${progress.batchName} · `}
          {STATES[progress.state]}
        </strong>
        <span className="muted small-text">
          {when(progress.createdAt)}
          {byWhom(progress.madeBy)}
        </span>
      </div>
      <div className="muted small-text" aria-live="polite">
        {over && progress.state === 'done'
          ? plural(progress.filesDone, 'file')
          : `${progress.filesDone} of ${plural(progress.fileCount, 'file')}`}
        {takenWords(progress)}
        {size}, {progress.templateName}
        {progress.templateVersion !== null &&
          `, version ${progress.templateVersion}${progress.templateChanged ? ' with changes' : ''}`}
      </div>
      {!over && (
        <ProgressBar
          className="my-2"
          now={progress.photosDone}
          max={progress.photoCount}
          aria-label="Photos that are done"
        />
      )}
      {progress.message && <p className="text-danger small-text mb-1">✕ {progress.message}</p>}
      {error && <p className="text-danger small-text mb-1">✕ {error}</p>}
      {progress.filesHeavy > 0 && (
        <p className="small-text mb-1">
          <FindingMark />
          {plural(progress.filesHeavy, 'file')} larger than the output allows; the list in the zip says which.
        </p>
      )}
      {progress.photosFailed > 0 && (
        <details className="small-text">
          <summary>
            <span className="refusal-mark" aria-hidden>
              ✕{' '}
            </span>
            {plural(progress.photosFailed, 'photo')} failed
          </summary>
          <FailedList id={progress.id} />
        </details>
      )}
      <div className="d-flex gap-2 mt-1 flex-wrap">
        {progress.state === 'done' && progress.filesDone > 0 && (
          <a className="btn btn-primary" href={`/api/deliveries/${progress.id}/zip`} download>
            Download zip
          </a>
        )}
        {progress.state === 'done' && progress.filesTaken > 0 && progress.filesTaken < progress.filesDone && (
          <a className="btn btn-plain" href={`/api/deliveries/${progress.id}/zip?only=new`} download>
            Only the {amount(progress.filesDone - progress.filesTaken)} made anew
          </a>
        )}
        {withLink && over && progress.filesDone > 0 && (
          <Link className="btn btn-plain" href={`/deliveries/${progress.id}`}>
            Look at the files
          </Link>
        )}
        {over && (
          <MayButton least="artist" variant="plain" onClick={() => void act('again')}>
            The same again
          </MayButton>
        )}
        {!over && (
          <MayButton least="artist" variant="plain" onClick={() => void act('cancel')}>
            Cancel
          </MayButton>
        )}
        {(progress.state === 'cancelled' || progress.state === 'failed') && (
          <MayButton least="artist" variant="plain" onClick={() => void act('resume')}>
            Go on
          </MayButton>
        )}
      </div>
    </article>
  );
}
