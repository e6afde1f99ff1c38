'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { StripPhoto, TemplateCard as Card } from '@/server/services';
import { api } from '../shared/api';
import { byWhom, day, when } from '../shared/words';
import { takeOut } from './template-file';
import { TemplateStrip } from './template-strip';
import { makesWords, outputsWords, usesWords } from './template-words';
import { MayButton } from '../people/may-button';

/** Makes a batch with a template, and says where it is. */
export async function newBatchWith(templateId: number): Promise<string> {
  const { id } = await api<{ id: number }>('/api/batches', 'POST', { name: `Batch of ${day(Date.now())}`, templateId });
  return `/batches/${id}?step=photos`;
}

type TemplateCardProps = {
  readonly card: Card;
  /** Photos to show it on where no batch uses it. */
  readonly sample: readonly StripPhoto[];
  /** Asks for a name and saves a copy. */
  readonly onCopy: () => void;
  /** Called after something of it has changed. */
  readonly onChanged: () => void;
};

/** A saved template: what it makes, who uses it, and what can be done with it. */
export function TemplateCard({ card, sample, onCopy, onChanged }: TemplateCardProps) {
  const { id, name, tags, open, version, savedAt, madeBy, note, template, usedIn, useCount, strip, archivedAt } = card;
  const router = useRouter();
  const [error, setError] = useState<string | null>(null);
  const doing = (work: () => Promise<unknown>) => void work().catch((e: Error) => setError(e.message));
  const named = <span className="visually-hidden"> {name}</span>;
  return (
    <article className="panel template-card" aria-label={name}>
      <TemplateStrip template={template} photos={strip.length > 0 ? strip : sample} batch={usedIn[0]?.name ?? ''} />
      <div className="facts">
        <div className="d-flex justify-content-between gap-2">
          <Link href={`/templates/${id}`} className="name-line" title={name}>
            <strong>{name}</strong>
          </Link>
          <span className="muted small-text text-nowrap">
            version {version}, {when(savedAt)}
            {byWhom(madeBy)}
          </span>
        </div>
        <div className="muted small-text name-line" title={makesWords(template)}>
          {makesWords(template)}
        </div>
        <div className="muted small-text name-line" title={outputsWords(template)}>
          {outputsWords(template)}
        </div>
        <div className="small-text name-line">
          {usesWords(usedIn, useCount, version)}
          {tags.length > 0 && <span className="muted"> · {tags.join(', ')}</span>}
        </div>
        {note && <div className="muted small-text name-line">“{note}”</div>}
        {error && (
          <p className="text-danger small-text mb-0" role="alert">
            ✕ {error}
          </p>
        )}
        <div className="d-flex flex-wrap mt-1 card-actions">
          <MayButton
            least="artist"
            variant="quiet"
            onClick={() => doing(async () => router.push(await newBatchWith(id)))}
          >
            New batch{named}
          </MayButton>
          <MayButton least="maker" variant="quiet" onClick={onCopy}>
            Copy…{named}
          </MayButton>
          <Button variant="quiet" onClick={() => doing(() => takeOut(template, open))}>
            Save as file{named}
          </Button>
          <MayButton
            least="maker"
            variant="quiet"
            onClick={() =>
              doing(async () => {
                await api(`/api/templates/${id}`, 'PATCH', { archived: archivedAt === null });
                onChanged();
              })
            }
          >
            {archivedAt === null ? 'Put away' : 'Bring back'}
            {named}
          </MayButton>
        </div>
      </div>
    </article>
  );
}
