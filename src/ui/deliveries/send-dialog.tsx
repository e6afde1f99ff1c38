'use client';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import Link from 'next/link';
import { useId, useState } from 'react';
import { Form } from 'react-bootstrap';
import type { DestinationWords } from '@/server/destinations';
import type { DeliveryProgress, UploadForecast } from '@/server/services';
import { anew } from '../shared/anew';
import { api } from '../shared/api';
import { Dialog } from '../shared/dialog';
import { FindingMark } from '../shared/finding-mark';
import { FormDialog } from '../shared/form-dialog';
import { optionsOf, SelectField } from '../shared/select-field';
import { amount, fileSize, plural } from '../shared/words';

const TITLE = 'Send to';
const SHOWN = 20;

type Asked = { destination: string; folder: string; onlyMade: boolean; replace: boolean };

/** What would be sent, and what the destination would not take. */
function Forecast({ delivery, asked }: { readonly delivery: number; readonly asked: Asked }) {
  const { data, error } = useQuery({
    queryKey: ['deliveries', 'forecast', delivery, asked.destination, asked.folder, asked.onlyMade],
    queryFn: () => api<UploadForecast>(`/api/deliveries/${delivery}/uploads/forecast`, 'POST', asked),
    retry: false,
  });
  if (error) return <p className="text-danger mb-0">✕ {error.message}</p>;
  if (!data) return <p className="muted mb-0">Asking the destination…</p>;
  const { files, bytes, refused, refusedCount } = data;
  return (
    <div aria-live="polite">
      <p className="mb-0">
        {plural(files - refusedCount, 'file')}
        {refusedCount === 0 && `, ${fileSize(bytes)}`}
      </p>
      {refusedCount > 0 && (
        <details className="small-text">
          <summary>
            <FindingMark />
            {plural(refusedCount, 'file')} will not be taken there, and not be sent
          </summary>
          <ul className="list-plain">
            {refused.slice(0, SHOWN).map(({ name, why }) => (
              <li key={name}>
                <strong>{name}</strong>: {why}
              </li>
            ))}
            {refusedCount > SHOWN && <li>and {amount(refusedCount - SHOWN)} more</li>}
          </ul>
        </details>
      )}
    </div>
  );
}

type SendDialogProps = {
  readonly delivery: DeliveryProgress;
  readonly destinations: readonly DestinationWords[];
  readonly onHide: () => void;
};

function Send({ delivery, destinations, onHide }: SendDialogProps) {
  const id = useId();
  const client = useQueryClient();
  const [asked, setAsked] = useState<Asked>({ destination: destinations[0]!.name, folder: '', onlyMade: false, replace: false }); // prettier-ignore
  // Asked about once it is typed: the destination is asked each time.
  const [folder, setFolder] = useState('');
  const set = (fields: Partial<Asked>) => setAsked((was) => ({ ...was, ...fields }));
  const { filesDone, filesTaken } = delivery;
  const chosen = destinations.find(({ name }) => name === asked.destination)!;
  return (
    <FormDialog
      title={TITLE}
      action="Send"
      onDo={async () => {
        await api(`/api/deliveries/${delivery.id}/uploads`, 'POST', asked);
        await anew(client, ['deliveries', 'uploads']);
        onHide();
      }}
      onHide={onHide}
    >
      <SelectField label="Destination" value={asked.destination} onChange={(destination) => set({ destination })}>
        {optionsOf(Object.fromEntries(destinations.map(({ name, label }) => [name, `${name} (${label})`])))}
      </SelectField>
      <p className="muted small-text name-line">{chosen.address}</p>
      <Form.Group controlId={`${id}-folder`} className="field">
        <Form.Label className="mb-0">Folder there</Form.Label>
        <Form.Control
          size="sm"
          value={asked.folder}
          maxLength={200}
          placeholder="none"
          onChange={(event) => set({ folder: event.target.value })}
          onBlur={() => setFolder(asked.folder)}
        />
      </Form.Group>
      {filesTaken > 0 && filesTaken < filesDone && (
        <Form.Check
          id={`${id}-made`}
          className="mt-2"
          label={`Only the ${amount(filesDone - filesTaken)} made anew`}
          checked={asked.onlyMade}
          onChange={(event) => set({ onlyMade: event.target.checked })}
        />
      )}
      <Form.Check
        id={`${id}-replace`}
        className="my-2"
        label="Replace files of the same name that others put there"
        checked={asked.replace}
        onChange={(event) => set({ replace: event.target.checked })}
      />
      <Forecast delivery={delivery.id} asked={{ ...asked, folder }} />
    </FormDialog>
  );
}

/** Where there is nothing to send to yet. */
function NoDestination({ error, onHide }: { readonly error: string | null; readonly onHide: () => void }) {
  return (
    <Dialog title={TITLE} onHide={onHide}>
      {error ? (
        <p className="text-danger mb-0">✕ {error}</p>
      ) : (
        <p className="mb-0">
          No destination is set up. Whoever runs Wobrel writes folders, WebDAV addresses, S3 buckets and shop channels
          into <code>destinations.json</code>: see <Link href="/help">Help</Link>, “Sending deliveries”.
        </p>
      )}
    </Dialog>
  );
}

/** Chooses where a delivery's files are sent, and sends them. */
export function SendDialog({ delivery, onHide }: Omit<SendDialogProps, 'destinations'>) {
  const { data, error } = useQuery({
    queryKey: ['destinations'],
    queryFn: () => api<{ destinations: DestinationWords[] }>('/api/destinations'),
    retry: false,
  });
  if (!data && !error) return null;
  const destinations = data?.destinations ?? [];
  if (destinations.length === 0) return <NoDestination error={error?.message ?? null} onHide={onHide} />;
  return <Send delivery={delivery} destinations={destinations} onHide={onHide} />;
}
