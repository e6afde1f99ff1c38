'use client';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Button, Dropdown, Form } from 'react-bootstrap';
import type { Person } from '@/server/people';
import type { Role } from '@/server/workspace';
import { anew } from '../shared/anew';
import { api } from '../shared/api';
import { ask } from '../shared/ask';
import { LongList } from '../shared/long-list';
import { say } from '../shared/say';
import { plural, when } from '../shared/words';
import { AddPerson } from './add-person';
import { LinkDialog, linkTo } from './link-dialog';
import { PEOPLE, usePeople } from './use-people';
import { ROLE_WORDS } from './who';

type RowProps = {
  readonly person: Person;
  /** Does something about a person; what it throws is shown above the table. */
  readonly onDo: (work: () => Promise<unknown>) => void;
  readonly onLink: (token: string) => void;
};

const stateOf = ({ isNew, seenAt }: Person) =>
  isNew ? 'has not chosen a password yet' : seenAt === null ? 'signed out' : `last here ${when(seenAt)}`;

function PersonRow({ person, onDo, onLink }: RowProps) {
  const { id, name, email, role } = person;
  const at = `/api/people/${id}`;
  const remove = async () => {
    const yes = await ask({ title: `Remove ${name}?`, words: `${name} is signed out at once. What they did stays, with their name.`, action: 'Remove' }); // prettier-ignore
    if (yes) onDo(() => api(at, 'DELETE'));
  };
  return (
    <tr>
      <td>
        <div className="name-line" title={name}>
          {name}
        </div>
        <div className="muted small-text name-line">{email}</div>
      </td>
      <td>
        <Form.Select
          size="sm"
          aria-label={`Role of ${name}`}
          value={role}
          onChange={(event) => onDo(() => api(at, 'PATCH', { role: event.target.value }))}
        >
          {(Object.keys(ROLE_WORDS) as Role[]).map((one) => (
            <option key={one} value={one}>
              {one}
            </option>
          ))}
        </Form.Select>
      </td>
      <td className="muted">{stateOf(person)}</td>
      <td className="text-end">
        <Dropdown align="end">
          <Dropdown.Toggle size="sm" variant="plain" aria-label={`More about ${name}`}>
            More
          </Dropdown.Toggle>
          <Dropdown.Menu>
            <Dropdown.Item
              as="button"
              onClick={() => onDo(() => api<{ link: string }>(`${at}/link`, 'POST').then(({ link }) => onLink(link)))}
            >
              Make a link for a password…
            </Dropdown.Item>
            <Dropdown.Item
              as="button"
              onClick={() => onDo(() => api(`${at}/sessions`, 'DELETE').then(() => say(`${name} is signed out`)))}
            >
              Sign out everywhere
            </Dropdown.Item>
            <Dropdown.Item as="button" onClick={() => void remove()}>
              Remove…
            </Dropdown.Item>
          </Dropdown.Menu>
        </Dropdown>
      </td>
    </tr>
  );
}

/** Everybody of the workspace, and what can be done about each. */
export function PeopleTable() {
  const client = useQueryClient();
  const { data, error } = usePeople();
  const [adding, setAdding] = useState(false);
  const [link, setLink] = useState<string | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const refresh = () => anew(client, PEOPLE);
  const onDo = (work: () => Promise<unknown>) => {
    setFailed(null);
    void work()
      .catch((e: Error) => setFailed(e.message))
      .then(refresh);
  };
  const trouble = failed ?? error?.message;
  return (
    <section className="mb-4">
      <div className="d-flex align-items-center justify-content-between mb-2">
        <h2 className="mb-0">{data ? plural(data.people.length, 'person', 'people') : 'People'}</h2>
        <Button onClick={() => setAdding(true)}>Add a person…</Button>
      </div>
      {trouble && (
        <p className="text-danger" role="alert">
          ✕ {trouble}
        </p>
      )}
      {data && (
        <LongList
          all={data.people}
          noun="person"
          nouns="people"
          textOf={({ name, email, role }) => `${name} ${email} ${role}`}
        >
          {(shown) => (
            <table className="table panel people-table">
              <thead>
                <tr>
                  <th scope="col">Person</th>
                  <th scope="col">Role</th>
                  <th scope="col">Sign-in</th>
                  <th scope="col">
                    <span className="visually-hidden">More</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {shown.map((person) => (
                  <PersonRow key={person.id} person={person} onDo={onDo} onLink={setLink} />
                ))}
              </tbody>
            </table>
          )}
        </LongList>
      )}
      {adding && (
        <AddPerson
          onAdded={async (token) => {
            setAdding(false);
            if (token === null) say('Added: they sign in as they do elsewhere');
            setLink(token);
            await refresh();
          }}
          onHide={() => setAdding(false)}
        />
      )}
      {link !== null && (
        <LinkDialog
          title="Hand this link over"
          words="Whoever opens it chooses the password: once, and within a day. Nothing is sent from here; it also lies in the outbox below until it is used."
          label="One-time link"
          text={linkTo(link)}
          onHide={() => setLink(null)}
        />
      )}
    </section>
  );
}
