'use client';
import { useRef, useState } from 'react';
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
  const [name, email] = [useRef<HTMLInputElement>(null), useRef<HTMLInputElement>(null)];
  const [role, setRole] = useState<Role>('artist');
  const add = async () => {
    const person = { name: name.current!.value, email: email.current!.value, role };
    await onAdded((await api<{ link: string | null }>('/api/people', 'POST', person)).link);
  };
  return (
    <FormDialog title="Add a person" action="Add" onDo={add} onHide={onHide}>
      <NameField field={name} autoFocus />
      <EmailField field={email} />
      <RoleField value={role} among={Object.keys(ROLE_WORDS) as Role[]} onChange={setRole} />
    </FormDialog>
  );
}
