'use client';
import { useRef, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { api } from '../shared/api';
import { say } from '../shared/say';
import { plural } from '../shared/words';
import { PasswordField } from './person-fields';
import { ROLE_WORDS, useWho } from './who';

function ChangePassword() {
  const [old, password] = [useRef<HTMLInputElement>(null), useRef<HTMLInputElement>(null)];
  const [error, setError] = useState<string | null>(null);
  const change = async () => {
    setError(null);
    try {
      await api('/api/password', 'PUT', { old: old.current!.value, password: password.current!.value });
      for (const field of [old, password]) field.current!.value = '';
      say('Your password is changed; you are signed out everywhere else');
    } catch (e) {
      setError((e as Error).message);
    }
  };
  return (
    <Form
      className="panel p-3 mb-3"
      onSubmit={(event) => {
        event.preventDefault();
        void change();
      }}
    >
      <h2>Another password</h2>
      <PasswordField label="Old password" field={old} isNew={false} />
      <PasswordField label="New password" field={password} isNew />
      {error && (
        <p className="text-danger" role="alert">
          ✕ {error}
        </p>
      )}
      <Button type="submit">Change it</Button>
    </Form>
  );
}

/** What goes by oneself: the password, and where else one is signed in. */
export function AccountScreen() {
  const { person } = useWho();
  if (!person)
    return (
      <main className="page">
        <h1>Your account</h1>
        <p className="muted">Nobody signs in here, so there are no accounts.</p>
      </main>
    );
  const elsewhere = async () => {
    const { ended } = await api<{ ended: number }>('/api/session/others', 'DELETE');
    say(ended === 0 ? 'You are signed in nowhere else' : `Signed out in ${plural(ended, 'other place')}`);
  };
  return (
    <main className="page narrow">
      <h1>{person.name}</h1>
      <p className="muted">
        {person.email}, {person.role}: {ROLE_WORDS[person.role]}
      </p>
      <ChangePassword />
      <Button variant="plain" onClick={() => void elsewhere()}>
        Sign out everywhere else
      </Button>
    </main>
  );
}
