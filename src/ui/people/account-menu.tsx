'use client';
import Link from 'next/link';
import { Dropdown } from 'react-bootstrap';
import { api } from '../shared/api';
import { leaveFor } from '../shared/leave';
import { forgetAllExpected } from '../photos/expected';
import { useMay, useWho } from './who';

async function enter(workspace: number): Promise<void> {
  await api('/api/session', 'PATCH', { workspace });
  forgetAllExpected();
  leaveFor('/');
}

async function signOut(): Promise<void> {
  await api('/api/session', 'DELETE');
  // Whoever signs in next finds nothing of it (OWASP ASVS 5.0, 14.3.1).
  localStorage.clear();
  leaveFor('/sign-in');
}

/** Who is signed in, where, and what goes by that; where nobody signs in, the way to have people do so. */
export function AccountMenu() {
  const { person } = useWho();
  const isOwner = useMay('owner');
  const others = person?.workspaces.filter(({ id }) => id !== person.workspace) ?? [];
  const place = person?.workspaces.find(({ id }) => id === person.workspace)?.name;
  return (
    <Dropdown align="end">
      <Dropdown.Toggle variant="quiet" className="account" title={person ? `${person.name}, ${place}` : undefined}>
        <span className="name-line">{person ? person.name : 'People'}</span>
      </Dropdown.Toggle>
      <Dropdown.Menu>
        {person && (
          <Dropdown.ItemText className="small-text muted">
            {person.role} in {place}
          </Dropdown.ItemText>
        )}
        <Dropdown.Item as={Link} href="/doings">
          Who did what
        </Dropdown.Item>
        {isOwner && (
          <Dropdown.Item as={Link} href="/people">
            {person ? 'People' : 'Have people sign in…'}
          </Dropdown.Item>
        )}
        {person && (
          <>
            <Dropdown.Item as={Link} href="/account">
              Your account
            </Dropdown.Item>
            {others.length > 0 && <Dropdown.Divider />}
            <div className="workspaces">
              {others.map(({ id, name }) => (
                <Dropdown.Item key={id} as="button" className="name-line" title={name} onClick={() => void enter(id)}>
                  Go to {name}
                </Dropdown.Item>
              ))}
            </div>
            <Dropdown.Divider />
            <Dropdown.Item as="button" onClick={() => void signOut()}>
              Sign out
            </Dropdown.Item>
          </>
        )}
      </Dropdown.Menu>
    </Dropdown>
  );
}
