'use client';
import { useState } from 'react';
import type { Role } from '@/server/workspace';
import { api } from '../shared/api';
import { FormDialog } from '../shared/form-dialog';
import { EmailField, NameField, RoleField } from './person-fields';
import { ROLE_WORDS } from './who';

type AddPersonProps = {
  /** @param link of a one-time link; null where they have a password */
  readonly onAdded: (link: string | null) => Promise<void>;
  readonly onHide: () => void;
};

export function AddPerson({ onAdded, onHide }: AddPersonProps) {
  const [name, setName] = useState('');
  const [email, setEmail] = useState('');
  const [role, setRole] = useState<Role>('artist');
  const add = async () =>
    onAdded((await api<{ link: string | null }>('/api/people', 'POST', { name, email, role })).link);
  return (
    <FormDialog title="Add a person" action="Add" onDo={add} onHide={onHide}>
      <NameField value={name} onChange={setName} autoFocus />
      <EmailField value={email} onChange={setEmail} />
      <RoleField value={role} among={Object.keys(ROLE_WORDS) as Role[]} onChange={setRole} />
    </FormDialog>
  );
}
