'use client';
import { useId, useState, type RefObject } from 'react';
import { Form } from 'react-bootstrap';
import type { Role } from '@/server/workspace';
import { ROLE_WORDS } from './who';

/** A field keeps its own text, and is asked for it: what is typed, or filled in by the browser, before the page has come alive stays. */
type TextProps = { readonly field: RefObject<HTMLInputElement | null>; readonly autoFocus?: boolean };

export function NameField({ field, autoFocus }: TextProps) {
  return (
    <Form.Group controlId={useId()} className="mb-3">
      <Form.Label>Name</Form.Label>
      <Form.Control ref={field} autoFocus={autoFocus} autoComplete="name" required maxLength={80} />
    </Form.Group>
  );
}

export function EmailField({ field, autoFocus }: TextProps) {
  return (
    <Form.Group controlId={useId()} className="mb-3">
      <Form.Label>E-mail address</Form.Label>
      <Form.Control type="email" ref={field} autoFocus={autoFocus} autoComplete="username" required maxLength={200} />
    </Form.Group>
  );
}

type PasswordProps = TextProps & {
  readonly label?: string;
  /** True where it is chosen now, false where it is known already. */
  readonly isNew: boolean;
};

/** A password, to be seen on request; one that is chosen says what is asked of it. */
export function PasswordField({ label = 'Password', field, isNew, autoFocus }: PasswordProps) {
  const id = useId();
  const [isShown, setShown] = useState(false);
  return (
    <Form.Group controlId={id} className="mb-2">
      <Form.Label>{label}</Form.Label>
      <Form.Control
        type={isShown ? 'text' : 'password'}
        ref={field}
        autoFocus={autoFocus}
        autoComplete={isNew ? 'new-password' : 'current-password'}
        required
        maxLength={200}
      />
      <Form.Check
        id={`${id}-shown`}
        className="small-text mt-1"
        label="Show it"
        checked={isShown}
        onChange={(event) => setShown(event.target.checked)}
      />
      {isNew && <Form.Text>12 letters or more of any kind; a few words do well.</Form.Text>}
    </Form.Group>
  );
}

type RoleProps<R extends Role> = {
  readonly value: R;
  readonly among: readonly R[];
  readonly onChange: (role: R) => void;
};

/** One of some roles, each with what it may. */
export function RoleField<R extends Role>({ value, among, onChange }: RoleProps<R>) {
  const id = useId();
  return (
    <fieldset className="mb-2">
      <legend className="form-label">Role</legend>
      {among.map((role) => (
        <Form.Check
          key={role}
          type="radio"
          id={`${id}-${role}`}
          name={id}
          label={`${role}: ${ROLE_WORDS[role]}`}
          checked={role === value}
          onChange={() => onChange(role)}
        />
      ))}
    </fieldset>
  );
}
