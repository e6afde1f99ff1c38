'use client';
import { useRef, useState } from 'react';
import { Button } from 'react-bootstrap';
import { api } from '../shared/api';
import { FormDialog } from '../shared/form-dialog';
import { EmailField, NameField, PasswordField } from './person-fields';

function FirstPerson({ onHide }: { readonly onHide: () => void }) {
  const [name, email, password] = [useRef<HTMLInputElement>(null), useRef<HTMLInputElement>(null), useRef<HTMLInputElement>(null)]; // prettier-ignore
  const turnOn = async () => {
    await api('/api/people/first', 'POST', {
      name: name.current!.value,
      email: email.current!.value,
      password: password.current!.value,
    });
    window.location.reload();
  };
  return (
    <FormDialog title="The first person" action="Turn signing in on" onDo={turnOn} onHide={onHide}>
      <p>That is you: the owner, who adds the others.</p>
      <NameField field={name} autoFocus />
      <EmailField field={email} />
      <PasswordField field={password} isNew />
    </FormDialog>
  );
}

/** What it means that nobody signs in, and changing that. */
export function TurnOn() {
  const [asking, setAsking] = useState(false);
  return (
    <div className="panel p-4">
      <p>
        Nobody signs in: whoever reaches this page may do everything. That is right for one person at their own machine.
      </p>
      <p>
        Once people sign in, everybody has a role, it is noted who changed what, and nothing is shown or taken without a
        sign-in. Batches, templates and deliveries stay as they are.
      </p>
      <Button onClick={() => setAsking(true)}>Have people sign in…</Button>
      {asking && <FirstPerson onHide={() => setAsking(false)} />}
    </div>
  );
}
