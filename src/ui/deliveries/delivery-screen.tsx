'use client';
import { useQuery } from '@tanstack/react-query';
import Link from 'next/link';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { DeliveryProgress } from '@/server/services';
import { api } from '../shared/api';
import { ChoiceField } from '../shared/choice-field';
import { Select } from '../shared/select';
import { when } from '../shared/words';
import { DeliveryCard } from './delivery-card';
import { Differences } from './differences';
import { RemoveDelivery } from './remove-delivery';
import { HtmlDialog } from './html-dialog';
import { PrintDialog } from './print-dialog';
import { SendDialog } from './send-dialog';
import { UploadList } from './upload-list';
import { FileList, SHOWN, type Shown } from './file-list';
import { isOver } from './use-progress';
import { MayButton } from '../people/may-button';

/** Deliveries of the same batch that were finished, for comparing. */
function useOthers({ id, batchId }: Pick<DeliveryProgress, 'id' | 'batchId'>) {
  const { data } = useQuery({
    queryKey: ['deliveries', 'batch', batchId],
    queryFn: () => api<{ deliveries: DeliveryProgress[] }>(`/api/batches/${batchId}/deliveries`),
    enabled: batchId !== null,
  });
  return (data?.deliveries ?? []).filter((other) => other.id !== id && other.state === 'done');
}

/** What can be done with the files besides the zip. */
const DIALOGS = { send: SendDialog, print: PrintDialog, html: HtmlDialog } as const;

function Files({ delivery }: { readonly delivery: DeliveryProgress }) {
  const [shown, setShown] = useState<Shown>('all');
  const [against, setAgainst] = useState('');
  const [dialog, setDialog] = useState<keyof typeof DIALOGS | null>(null);
  const Dialog = dialog && DIALOGS[dialog];
  const others = useOthers(delivery);
  return (
    <>
      <div className="d-flex gap-3 align-items-center my-3 flex-wrap">
        {against === '' && <ChoiceField label="Files shown" bare value={shown} options={SHOWN} onChange={setShown} />}
        {delivery.state === 'done' && (
          <>
            <MayButton least="artist" variant="plain" onClick={() => setDialog('send')}>
              Send to…
            </MayButton>
            <Button variant="plain" onClick={() => setDialog('print')}>
              Pages for print…
            </Button>
            <Button variant="plain" onClick={() => setDialog('html')}>
              HTML…
            </Button>
            {delivery.isOnePhoto && (
              <a className="btn btn-plain" href={`/api/deliveries/${delivery.id}/svg`} download>
                SVG files
              </a>
            )}
          </>
        )}
        {others.length > 0 && (
          <Select
            label="Compare with"
            wide
            value={against}
            options={[['', 'no other'], ...others.map((other) => [String(other.id), when(other.createdAt)] as const)]}
            onChange={setAgainst}
          />
        )}
      </div>
      {Dialog && <Dialog delivery={delivery} onHide={() => setDialog(null)} />}
      {against === '' ? (
        <FileList key={shown} delivery={delivery.id} shown={shown} />
      ) : (
        <Differences delivery={delivery.id} before={Number(against)} />
      )}
    </>
  );
}

/** One delivery: its files as pictures, and what is different from another. */
export function DeliveryScreen({ id }: { readonly id: number }) {
  const { data, error } = useQuery({
    queryKey: ['deliveries', 'one', id],
    queryFn: () => api<{ progress: DeliveryProgress }>(`/api/deliveries/${id}`),
  });
  if (error)
    return (
      <main className="page">
        <div className="empty">{error.message}</div>
      </main>
    );
  if (!data) return <main className="page muted">Opening…</main>;
  const { progress } = data;
  return (
    <main className="page delivery-page">
      <h1 className="mb-3">
        <Link href="/deliveries">Deliveries</Link> / {progress.batchName}
      </h1>
      <div className="panel p-3">
        <DeliveryCard delivery={progress} />
        <div className="d-flex gap-3 small-text mt-1">
          {progress.batchId !== null && <Link href={`/batches/${progress.batchId}?step=export`}>Open the batch</Link>}
          {isOver(progress) && <RemoveDelivery delivery={progress} />}
        </div>
        {isOver(progress) && <UploadList delivery={id} />}
      </div>
      {isOver(progress) && progress.filesDone > 0 && <Files delivery={progress} />}
    </main>
  );
}
