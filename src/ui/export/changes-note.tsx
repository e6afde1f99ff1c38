'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { DeliveryChanges, Why } from '@/server/services';
import { api } from '../shared/api';
import { amount, plural, when } from '../shared/words';

const WORDS: Readonly<Record<Why, string>> = {
  new: 'new',
  photo: 'another picture',
  placement: 'lies otherwise',
  template: 'another template',
  output: 'another size or format',
  text: 'says something else',
  unknown: 'exported before this was noted',
};

/** So many names are listed. */
const LISTED = 40;

const reasonsWords = ({ reasons }: DeliveryChanges): string =>
  (Object.entries(reasons) as [Why, number][]).map(([why, n]) => `${amount(n)} ${WORDS[why]}`).join(', ');

function Changes({ changes }: { readonly changes: DeliveryChanges }) {
  const { since, same, made, files, gone, goneFiles } = changes;
  if (!since)
    return <p className="muted small-text mb-0">Nothing has been exported of this batch yet: all files are made.</p>;
  return (
    <div className="small-text" aria-live="polite">
      <p className="mb-1">
        Since {when(since.createdAt)}: <strong>{plural(same, 'file')} the same</strong>, taken over as they are
        {made > 0 ? `; ${plural(made, 'file')} made: ${reasonsWords(changes)}.` : '; none to make.'}
      </p>
      {made > 0 && (
        <details>
          <summary>What is made</summary>
          <ul className="list-plain">
            {files.slice(0, LISTED).map(({ file, why }) => (
              <li key={file}>
                {file} <span className="muted">{why.map((one) => WORDS[one]).join(', ')}</span>
              </li>
            ))}
            {made > LISTED && <li className="muted">and {amount(made - LISTED)} more</li>}
          </ul>
        </details>
      )}
      {gone > 0 && (
        <details>
          <summary>{plural(gone, 'file')} of then no longer made</summary>
          <ul className="list-plain">
            {goneFiles.slice(0, LISTED).map((file) => (
              <li key={file}>{file}</li>
            ))}
            {gone > LISTED && <li className="muted">and {amount(gone - LISTED)} more</li>}
          </ul>
        </details>
      )}
    </div>
  );
}

type ChangesNoteProps = {
  readonly batchId: number;
  /** What it is worked out from: with another it is old. */
  readonly about: unknown;
  /** Brings the server up to date. */
  readonly flush: () => Promise<unknown>;
};

/** On request: what an export would make anew since the last one, and why. */
export function ChangesNote({ batchId, about, flush }: ChangesNoteProps) {
  const [answer, setAnswer] = useState<{ of: unknown; told: DeliveryChanges | string } | null>(null);
  const told = answer && answer.of === about ? answer.told : null;
  const setTold = (next: DeliveryChanges | string) => setAnswer({ of: about, told: next });
  const ask = async () => {
    try {
      await flush();
      setTold(await api<DeliveryChanges>(`/api/batches/${batchId}/deliveries/changes`));
    } catch (error) {
      setTold((error as Error).message);
    }
  };
  return (
    <div>
      <Button variant="quiet" onClick={() => void ask()}>
        What has changed since then?
      </Button>
      {typeof told === 'string' ? (
        <p className="text-danger small-text mb-0">✕ {told}</p>
      ) : (
        told && <Changes changes={told} />
      )}
    </div>
  );
}
