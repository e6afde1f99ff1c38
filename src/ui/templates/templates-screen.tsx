'use client';
import { useQueryClient } from '@tanstack/react-query';
import { useDeferredValue, useRef, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { Template } from '@/core/template';
import { anew } from '../shared/anew';
import { api } from '../shared/api';
import { FileInput } from '../shared/file-input';
import { NameDialog } from '../shared/name-dialog';
import { Select } from '../shared/select';
import { amount, plural } from '../shared/words';
import { BringInDialog } from './bring-in-dialog';
import { ReadyMade } from './ready-made';
import { TemplateCard } from './template-card';
import { bringAllIn, takeOutWanted } from './several';
import type { BroughtIn } from './template-file';
import { useCards, type Wanted } from './use-cards';
import { MayButton } from '../people/may-button';

const SORTS = [
  ['name', 'name'],
  ['newest', 'saved last'],
  ['used', 'most used'],
] as const;

/** Every saved template as a card, and the ready-made ones to begin with. */
export function TemplatesScreen() {
  const client = useQueryClient();
  const [search, setSearch] = useState('');
  const [tag, setTag] = useState('');
  const [sort, setSort] = useState<Wanted['sort']>('name');
  const [archived, setArchived] = useState(false);
  const settled = useDeferredValue(search);
  const { data, error, hasNextPage, isFetching, fetchNextPage } = useCards({ search: settled, tag, sort, archived });
  const [copying, setCopying] = useState<Template | null>(null);
  // What is to be looked at before it is kept, one after the other.
  const [brought, setBrought] = useState<readonly BroughtIn[]>([]);
  const [current] = brought;
  const [failure, setFailure] = useState<string | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const refresh = () => anew(client, ['templates']);
  const cards = data?.pages.flatMap((page) => page.cards) ?? [];
  const [first] = data?.pages ?? [];
  const { total = 0, tags = [], sample = [] } = first ?? {};
  const isNarrowed = settled !== '' || tag !== '' || archived;
  const take = (picked: File) => {
    setFailure(null);
    bringAllIn(picked).then(setBrought, (e: Error) => setFailure(e.message));
  };
  return (
    <main className="page">
      <div className="d-flex flex-wrap align-items-center gap-3 mb-3">
        <h1 className="mb-0">Templates</h1>
        <Form.Control
          type="search"
          className="ms-auto"
          style={{ maxWidth: '16rem' }}
          aria-label="Search templates"
          placeholder="Search"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
        />
        {
          tags.length > 0 &&
          <Select label="Tag" value={tag} options={[['', 'any'], ...tags.map((one) => [one, one] as const)]} onChange={setTag} /> // prettier-ignore
        }
        <Select label="Sort" value={sort} options={SORTS} onChange={(next) => setSort(next as Wanted['sort'])} />
        <Form.Check
          id="templates-archived"
          label="Put away"
          checked={archived}
          onChange={(event) => setArchived(event.target.checked)}
        />
        <MayButton least="maker" variant="plain" onClick={() => file.current?.click()}>
          Bring in a file…
        </MayButton>
        <FileInput
          ref={file}
          label="Template to bring in"
          accept=".json,.zip,application/json,application/zip"
          onFile={take}
        />
      </div>
      {(error ?? failure) && (
        <p className="text-danger" role="alert">
          ✕ {error?.message ?? failure}
        </p>
      )}
      {data && cards.length === 0 && (
        <div className="empty mb-3">
          {isNarrowed
            ? archived
              ? 'No template is put away.'
              : 'No template of yours is like that.'
            : 'None of your own yet. Take a ready-made one, or save one from a batch with “Save as…”.'}
        </div>
      )}
      {cards.length > 0 && (
        <>
          <p className="muted small-text">
            {plural(total, 'template')}
            <Button
              variant="quiet"
              size="sm"
              onClick={() =>
                void takeOutWanted({ search: settled, tag, sort, archived }).catch((e: Error) => setFailure(e.message))
              }
            >
              Save {total === 1 ? 'it' : 'all of them'} as a zip
            </Button>
          </p>
          <div className="template-cards mb-4">
            {cards.map((card) => (
              <TemplateCard
                key={card.id}
                card={card}
                sample={sample}
                onCopy={() => setCopying(card.template)}
                onChanged={() => void refresh()}
              />
            ))}
          </div>
          {hasNextPage && (
            <Button variant="plain" className="mb-4" disabled={isFetching} onClick={() => void fetchNextPage()}>
              Show more of {amount(total)}
            </Button>
          )}
        </>
      )}
      {!archived && tag === '' && <ReadyMade search={settled} sample={sample} onTake={setCopying} />}
      {copying && (
        <NameDialog
          title="A template of your own"
          suggestion={cards.some(({ name }) => name === copying.name) ? `${copying.name} 2` : copying.name}
          help={() => 'The one that it is copied from stays as it is.'}
          onSave={async (name) => {
            await api('/api/templates', 'POST', { template: { ...copying, name } });
            setCopying(null);
            await refresh();
          }}
          onHide={() => setCopying(null)}
        />
      )}
      {current && (
        <BringInDialog
          key={brought.length}
          brought={current}
          sample={sample}
          onHide={() => setBrought(brought.slice(1))}
          onDone={() => {
            setBrought(brought.slice(1));
            void refresh();
          }}
        />
      )}
    </main>
  );
}
