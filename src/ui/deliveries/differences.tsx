'use client';
import { useQuery } from '@tanstack/react-query';
import type { DeliveredFile, DeliveryDifferences } from '@/server/services';
import { api } from '../shared/api';
import { amount, plural } from '../shared/words';
import { FilePicture, FileWords } from './file-row';

type SomeProps = {
  readonly title: string;
  readonly delivery: number;
  readonly files: readonly DeliveredFile[];
  readonly count: number;
};

/** Files that only one of both has. */
function Some({ title, delivery, files, count }: SomeProps) {
  if (count === 0) return null;
  return (
    <section aria-label={title}>
      <h2 className="mt-3">{title}</h2>
      {files.map((file) => (
        <div key={file.id} className="file-row">
          <FilePicture delivery={delivery} file={file} />
          <div className="name-line">
            <strong>{file.file}</strong>
            <br />
            <FileWords file={file} />
          </div>
        </div>
      ))}
      {count > files.length && <p className="muted">and {amount(count - files.length)} more</p>}
    </section>
  );
}

/** What is different between two deliveries: side by side where both have a file of the name. */
export function Differences({ delivery, before }: { readonly delivery: number; readonly before: number }) {
  const { data, error } = useQuery({
    queryKey: ['deliveries', 'against', delivery, before],
    queryFn: () => api<DeliveryDifferences>(`/api/deliveries/${delivery}/against/${before}`),
  });
  if (error) return <p className="text-danger">✕ {error.message}</p>;
  if (!data) return <p className="muted">Comparing…</p>;
  const { same, different, differentCount, added, addedCount, gone, goneCount } = data;
  return (
    <div aria-live="polite">
      <p className="mb-0">
        {plural(same, 'file')} the same, {amount(differentCount)} different, {amount(addedCount)} new,{' '}
        {amount(goneCount)} gone.
      </p>
      {differentCount > 0 && (
        <section aria-label="Different">
          <h2 className="mt-3">Different: before, after</h2>
          {different.map(([then, now]) => (
            <div key={now.id} className="file-row pair">
              <FilePicture delivery={before} file={then} />
              <FilePicture delivery={delivery} file={now} />
              <div className="name-line">
                <strong>{now.file}</strong>
                <br />
                <FileWords file={then} /> → <FileWords file={now} />
              </div>
            </div>
          ))}
          {differentCount > different.length && (
            <p className="muted">and {amount(differentCount - different.length)} more</p>
          )}
        </section>
      )}
      <Some title="New" delivery={delivery} files={added} count={addedCount} />
      <Some title="Gone" delivery={before} files={gone} count={goneCount} />
    </div>
  );
}
