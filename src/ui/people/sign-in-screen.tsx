'use client';
import { useState } from 'react';
import { api } from '../shared/api';
import { leaveFor } from '../shared/leave';
import { Door } from './door';
import { EmailField, PasswordField } from './person-fields';

/** @param then where the person wanted to go */
export function SignInScreen({ then }: { readonly then: string }) {
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const signIn = async () => {
    await api('/api/session', 'POST', { email, password });
    leaveFor(then);
  };
  return (
    <Door
      title="Sign in"
      action="Sign in"
      onDo={signIn}
      foot="Forgotten it? An owner of your workspace can make you a link for another one."
    >
      <EmailField value={email} onChange={setEmail} autoFocus />
      <PasswordField value={password} onChange={setPassword} isNew={false} />
    </Door>
  );
}
