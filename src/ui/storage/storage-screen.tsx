'use client';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import Link from 'next/link';
import { useState } from 'react';
import type { BatchUsage, Storage } from '@/server/services';
import { anew } from '../shared/anew';
import { api } from '../shared/api';
import { say } from '../shared/say';
import { fileSize, plural } from '../shared/words';
import { DeleteBatchDialog } from './delete-batch-dialog';
import { MayButton } from '../people/may-button';

const KEY = ['storage'];

function Totals({ storage, onCollect }: { readonly storage: Storage; readonly onCollect: () => void }) {
  const { originals, proxies, pictures, delivered, database, unneeded, free } = storage;
  const all = originals.bytes + proxies.bytes + pictures.bytes + delivered.bytes + database;
  return (
    <div className="panel p-3 mb-3">
      <strong>
        {fileSize(all)} in use, {fileSize(free)} free on this disk
      </strong>
      <p className="muted small-text mb-2">
        Photos {fileSize(originals.bytes)}, their copies for the screen {fileSize(proxies.bytes)}, delivered files{' '}
        {fileSize(delivered.bytes)}, pictures of templates {fileSize(pictures.bytes)}, database {fileSize(database)}.
      </p>
      {unneeded.files > 0 ? (
        <MayButton least="artist" variant="plain" onClick={onCollect}>
          Free {fileSize(unneeded.bytes)} that nothing needs
        </MayButton>
      ) : (
        <span className="muted small-text">All of it is needed by a batch or a delivery.</span>
      )}
    </div>
  );
}

function BatchRow({ batch, onDelete }: { readonly batch: BatchUsage; readonly onDelete: () => void }) {
  const { id, name, photos, deliveries, delivered } = batch;
  return (
    <tr>
      <td className="name-line">
        <Link href={`/batches/${id}`} title={name}>
          {name}
        </Link>
      </td>
      <td>{photos.files === 0 ? 'no photos' : `${plural(photos.files, 'photo')}, ${fileSize(photos.bytes)}`}</td>
      <td>
        {deliveries === 0 ? 'none' : `${plural(deliveries, 'delivery', 'deliveries')}, ${fileSize(delivered.bytes)}`}
      </td>
      <td className="text-end">
        <MayButton least="artist" size="sm" variant="plain" aria-label={`Delete ${name}…`} onClick={onDelete}>
          Delete…
        </MayButton>
      </td>
    </tr>
  );
}

/** What is on the disk, by batch, and getting rid of it. */
export function StorageScreen() {
  const client = useQueryClient();
  const [deleting, setDeleting] = useState<BatchUsage | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const { data, error } = useQuery({ queryKey: KEY, queryFn: () => api<Storage>('/api/storage') });
  const collect = async () => {
    await api<{ bytes: number }>('/api/storage', 'DELETE').then(
      ({ bytes }) => say(`${fileSize(bytes)} freed`),
      (e: Error) => setFailed(e.message),
    );
    await anew(client, KEY);
  };
  const trouble = failed ?? error?.message;
  return (
    <main className="page">
      <h1 className="mb-3">
        <Link href="/">Batches</Link> / Storage
      </h1>
      {trouble && <p className="text-danger">✕ {trouble}</p>}
      {!data && !error && <p className="muted">Looking at the disk…</p>}
      {data && (
        <>
          <Totals storage={data} onCollect={() => void collect()} />
          {data.batches.length > 0 && (
            <table className="table panel storage-table">
              <thead>
                <tr>
                  <th scope="col">Batch</th>
                  <th scope="col">Photos</th>
                  <th scope="col">Deliveries</th>
                  <th scope="col">
                    <span className="visually-hidden">Delete</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {data.batches.map((batch) => (
                  <BatchRow key={batch.id} batch={batch} onDelete={() => setDeleting(batch)} />
                ))}
              </tbody>
            </table>
          )}
          {data.orphans.deliveries > 0 && (
            <p className="muted small-text">
              {plural(data.orphans.deliveries, 'delivery', 'deliveries')} of batches that were deleted,{' '}
              {fileSize(data.orphans.delivered.bytes)}: each can be removed on its own page, see{' '}
              <Link href="/deliveries">Deliveries</Link>.
            </p>
          )}
        </>
      )}
      {deleting && (
        <DeleteBatchDialog
          batch={deleting}
          onDeleted={async () => {
            setDeleting(null);
            say(`${deleting.name} is deleted`);
            await anew(client, []);
          }}
          onHide={() => setDeleting(null)}
        />
      )}
    </main>
  );
}
