'use client';
import { useInfiniteQuery } from '@tanstack/react-query';
import Link from 'next/link';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { Doing } from '@/server/services';
import { api } from '../shared/api';
import { amount, day } from '../shared/words';
import { doingWords, placeOf } from './doing-words';

type Page = { readonly doings: Doing[]; readonly total: number; readonly names: readonly string[] };

const KINDS: Readonly<Record<string, string>> = {
  '': 'everything',
  batch: 'batches',
  template: 'templates',
  shape: 'shapes',
  framing: 'framings',
  picture: 'pictures',
  delivery: 'deliveries',
  upload: 'uploads',
  person: 'people',
  token: 'tokens',
  workspace: 'the workspace',
};

const time = (at: number) => new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

function Line({ doing }: { readonly doing: Doing }) {
  const { before, name, after } = doingWords(doing);
  const place = placeOf(doing);
  return (
    <li>
      <span className="muted">{time(doing.at)}</span>{' '}
      <span>
        <strong>{doing.who}</strong> {before} {place ? <Link href={place}>{name}</Link> : name}
        {after}
      </span>
    </li>
  );
}

/** Lines by their days, in their order. */
function byDay(doings: readonly Doing[]): (readonly [string, Doing[]])[] {
  const days = new Map<string, Doing[]>();
  for (const doing of doings) days.set(day(doing.at), [...(days.get(day(doing.at)) ?? []), doing]);
  return [...days];
}

/** Who did what, the newest first. */
export function DoingsScreen() {
  const [who, setWho] = useState('');
  const [kind, setKind] = useState('');
  const { data, error, fetchNextPage, hasNextPage } = useInfiniteQuery({
    queryKey: ['doings', who, kind],
    queryFn: ({ pageParam }) => {
      const query = new URLSearchParams({ offset: String(pageParam), ...(who && { who }), ...(kind && { kind }) });
      return api<Page>(`/api/doings?${query}`);
    },
    initialPageParam: 0,
    getNextPageParam: ({ total }, pages) => {
      const shown = pages.reduce((sum, page) => sum + page.doings.length, 0);
      return shown < total ? shown : undefined;
    },
  });
  const doings = data?.pages.flatMap((page) => page.doings) ?? [];
  const total = data?.pages[0]?.total ?? 0;
  return (
    <main className="page narrow">
      <h1 className="mb-3">Who did what</h1>
      <div className="d-flex gap-3 mb-3">
        <Form.Select aria-label="Who" value={who} onChange={(event) => setWho(event.target.value)}>
          <option value="">everybody</option>
          {data?.pages[0]?.names.map((name) => (
            <option key={name}>{name}</option>
          ))}
        </Form.Select>
        <Form.Select aria-label="About what" value={kind} onChange={(event) => setKind(event.target.value)}>
          {Object.entries(KINDS).map(([value, label]) => (
            <option key={value} value={value}>
              {label}
            </option>
          ))}
        </Form.Select>
      </div>
      {error && <p className="text-danger">✕ {error.message}</p>}
      {data && total === 0 && <div className="empty">Nothing yet: every change is noted here.</div>}
      {byDay(doings).map(([name, lines]) => (
        <section key={name} className="panel p-3 mb-3">
          <h2>{name}</h2>
          <ul className="doings">
            {lines.map((doing) => (
              <Line key={doing.id} doing={doing} />
            ))}
          </ul>
        </section>
      ))}
      {hasNextPage && (
        <Button variant="plain" onClick={() => void fetchNextPage()}>
          Show more of {amount(total)}
        </Button>
      )}
    </main>
  );
}
