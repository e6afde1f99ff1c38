'use client';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Button, ProgressBar } from 'react-bootstrap';
import type { UploadProgress } from '@/server/services';
import { anew } from '../shared/anew';
import { api } from '../shared/api';
import { amount, plural, when } from '../shared/words';
import { isOver } from './use-progress';

/** How often a running upload is asked for, ms. */
const EVERY_MS = 700;

const STATES: Readonly<Record<UploadProgress['state'], string>> = {
  waiting: 'Waits for its turn',
  running: 'On its way',
  done: 'Sent',
  cancelled: 'Cancelled',
  failed: 'Stopped',
};

function RefusedList({ id, refused }: Pick<UploadProgress, 'id' | 'refused'>) {
  const { data } = useQuery({
    queryKey: ['deliveries', 'uploads', 'refused', id],
    queryFn: () => api<{ refused: { name: string; why: string | null }[] }>(`/api/uploads/${id}`),
  });
  return (
    <ul className="list-plain small-text">
      {data?.refused.map(({ name, why }) => (
        <li key={name}>
          <strong>{name}</strong>: {why}
        </li>
      ))}
      {data && refused > data.refused.length && <li>and {amount(refused - data.refused.length)} more</li>}
    </ul>
  );
}

/** How many of an upload's files are where, in words. */
function wordsOf({ fileCount, sent, kept, refused, state }: UploadProgress): string {
  const there =
    state === 'done' && refused === 0 ? plural(fileCount, 'file') : `${sent + kept} of ${plural(fileCount, 'file')}`;
  return `${there}${kept > 0 ? `, ${kept} there already` : ''}`;
}

function Upload({ upload }: { readonly upload: UploadProgress }) {
  const client = useQueryClient();
  const [error, setError] = useState<string | null>(null);
  const { id, destination, state, message, createdAt, fileCount, sent, kept, refused } = upload;
  const act = async (what: 'cancel' | 'resume') => {
    await api(`/api/uploads/${id}/${what}`, 'POST').then(
      () => setError(null),
      (e: Error) => setError(e.message),
    );
    await anew(client, ['deliveries', 'uploads']);
  };
  return (
    <article className="mt-2" aria-label={`Upload to ${destination}`} data-state={state}>
      <div className="d-flex gap-2 align-items-center flex-wrap">
        <span aria-live="polite">
          <strong>{destination}</strong>: {STATES[state]}, {wordsOf(upload)}
        </span>
        <span className="muted small-text">{when(createdAt)}</span>
        {!isOver(upload) && (
          <Button size="sm" variant="plain" onClick={() => void act('cancel')}>
            Cancel
          </Button>
        )}
        {(state === 'cancelled' || state === 'failed') && (
          <Button size="sm" variant="plain" onClick={() => void act('resume')}>
            Go on
          </Button>
        )}
        {state === 'done' && refused > 0 && (
          <Button size="sm" variant="plain" onClick={() => void act('resume')}>
            Try the others again
          </Button>
        )}
      </div>
      {!isOver(upload) && (
        <ProgressBar
          className="my-1"
          now={sent + kept + refused}
          max={fileCount}
          aria-label={`Files that have arrived at ${destination}`}
        />
      )}
      {(message ?? error) && <p className="text-danger small-text mb-0">✕ {message ?? error}</p>}
      {refused > 0 && (
        <details className="small-text">
          <summary>
            <span className="refusal-mark" aria-hidden>
              ✕{' '}
            </span>
            {plural(refused, 'file')} not taken there
          </summary>
          <RefusedList key={state} id={id} refused={refused} />
        </details>
      )}
    </article>
  );
}

/** Where a delivery was sent, the newest first; nothing where it was not. */
export function UploadList({ delivery }: { readonly delivery: number }) {
  const { data } = useQuery({
    queryKey: ['deliveries', 'uploads', delivery],
    queryFn: () => api<{ uploads: UploadProgress[] }>(`/api/deliveries/${delivery}/uploads`),
    refetchInterval: ({ state }) => (state.data?.uploads.every(isOver) === false ? EVERY_MS : false),
  });
  if (!data || data.uploads.length === 0) return null;
  const [newest, ...others] = data.uploads;
  return (
    <section aria-label="Uploads">
      <Upload upload={newest!} />
      {others.length > 0 && (
        <details className="small-text">
          <summary>{plural(others.length, 'earlier upload')}</summary>
          {others.map((upload) => (
            <Upload key={upload.id} upload={upload} />
          ))}
        </details>
      )}
    </section>
  );
}
