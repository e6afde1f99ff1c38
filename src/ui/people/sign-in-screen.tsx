'use client';
import { useRef } from 'react';
import { api } from '../shared/api';
import { leaveFor } from '../shared/leave';
import { Door } from './door';
import { EmailField, PasswordField } from './person-fields';

/** @param then where the person wanted to go */
export function SignInScreen({ then }: { readonly then: string }) {
  const [email, password] = [useRef<HTMLInputElement>(null), useRef<HTMLInputElement>(null)];
  const signIn = async () => {
    await api('/api/session', 'POST', { email: email.current!.value, password: password.current!.value });
    leaveFor(then);
  };
  return (
    <Door
      title="Sign in"
      action="Sign in"
      onDo={signIn}
      foot="Forgotten it? An owner of your workspace can make you a link for another one."
    >
      <EmailField field={email} autoFocus />
      <PasswordField field={password} isNew={false} />
    </Door>
  );
}
