'use client';
import { useRef } from 'react';
import { api } from '../shared/api';
import { leaveFor } from '../shared/leave';
import { Door } from './door';
import { PasswordField } from './person-fields';

/** Choosing a password by a one-time link, whose token stands behind the address's #: it is never sent with the page's request. */
export function WelcomeScreen() {
  const password = useRef<HTMLInputElement>(null);
  const choose = async () => {
    await api('/api/password', 'POST', { token: window.location.hash.slice(1), password: password.current!.value });
    leaveFor('/sign-in');
  };
  return (
    <Door
      title="Choose your password"
      action="Keep it"
      onDo={choose}
      foot="The link that led here works once, for a day."
    >
      <PasswordField field={password} isNew autoFocus />
    </Door>
  );
}
