'use client';
import { useQueryClient } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { Token } from '@/server/people';
import { anew } from '../shared/anew';
import { api } from '../shared/api';
import { ask } from '../shared/ask';
import { FormDialog } from '../shared/form-dialog';
import { LongList } from '../shared/long-list';
import { day, plural, when } from '../shared/words';
import { LinkDialog } from './link-dialog';
import { RoleField } from './person-fields';
import { PEOPLE, useTokens } from './use-people';

const ROLES = ['viewer', 'artist', 'maker'] as const;

function NewToken({ onMade, onHide }: { readonly onMade: (token: string) => void; readonly onHide: () => void }) {
  const id = useId();
  const [name, setName] = useState('');
  const [role, setRole] = useState<(typeof ROLES)[number]>('artist');
  const [days, setDays] = useState('90');
  const make = async () =>
    onMade((await api<{ token: string }>('/api/tokens', 'POST', { name, role, days: Number(days) })).token);
  return (
    <FormDialog title="New token" action="Make it" onDo={make} onHide={onHide}>
      <Form.Group controlId={`${id}-name`} className="mb-3">
        <Form.Label>What it is for</Form.Label>
        <Form.Control
          value={name}
          autoFocus
          required
          maxLength={80}
          onChange={(event) => setName(event.target.value)}
        />
      </Form.Group>
      <RoleField value={role} among={ROLES} onChange={setRole} />
      <Form.Group controlId={`${id}-days`} className="mt-3">
        <Form.Label>Good for, days</Form.Label>
        <Form.Control type="number" min={1} max={366} value={days} onChange={(event) => setDays(event.target.value)} />
      </Form.Group>
    </FormDialog>
  );
}

function TokenRow({ token, onEnd }: { readonly token: Token; readonly onEnd: () => void }) {
  const { name, role, madeBy, expiresAt, usedAt } = token;
  return (
    <tr>
      <td className="name-line">{name}</td>
      <td>{role}</td>
      <td className="muted">
        until {day(expiresAt)}, made by {madeBy}, {usedAt === null ? 'not used yet' : `last used ${when(usedAt)}`}
      </td>
      <td className="text-end">
        <Button size="sm" variant="plain" aria-label={`End ${name}…`} onClick={onEnd}>
          End…
        </Button>
      </td>
    </tr>
  );
}

/** What lets scripts in. */
export function TokensPart() {
  const client = useQueryClient();
  const { data } = useTokens();
  const [making, setMaking] = useState(false);
  const [made, setMade] = useState<string | null>(null);
  const refresh = () => anew(client, PEOPLE);
  const end = async ({ id, name }: Token) => {
    if (!(await ask({ title: `End ${name}?`, words: 'Scripts that use it are let in no longer.', action: 'End it' }))) return; // prettier-ignore
    await api(`/api/tokens/${id}`, 'DELETE');
    await refresh();
  };
  return (
    <details className="panel p-3 mb-3">
      <summary>
        Tokens for scripts
        <span className="muted ms-2">
          {data && (data.tokens.length === 0 ? 'none' : plural(data.tokens.length, 'token'))}
        </span>
      </summary>
      <p className="muted mt-2">
        A script sends one as <code>Authorization: Bearer …</code> with its requests.
      </p>
      {data && (
        <LongList all={data.tokens} noun="token" textOf={({ name, role, madeBy }) => `${name} ${role} ${madeBy}`}>
          {(shown) => (
            <table className="table">
              <tbody>
                {shown.map((token) => (
                  <TokenRow key={token.id} token={token} onEnd={() => void end(token)} />
                ))}
              </tbody>
            </table>
          )}
        </LongList>
      )}
      <Button variant="plain" onClick={() => setMaking(true)}>
        New token…
      </Button>
      {making && (
        <NewToken
          onMade={(token) => {
            setMaking(false);
            setMade(token);
            void refresh();
          }}
          onHide={() => setMaking(false)}
        />
      )}
      {made !== null && (
        <LinkDialog
          title="Copy the token now"
          words="It is shown this once: only its fingerprint is kept."
          label="Token"
          text={made}
          onHide={() => setMade(null)}
        />
      )}
    </details>
  );
}
