'use client';
import { useState } from 'react';
import type { Template } from '@/core/template';
import { NameDialog } from '../shared/name-dialog';
import { SelectField } from '../shared/select-field';
import { nextSetName, setNames } from './lists';

type SetFieldProps = {
  readonly label: string;
  readonly set: string | null;
  readonly template: Template;
  readonly onChange: (set: string | null) => void;
};

const NONE = '';
/** No name is this: names are trimmed. */
const ANOTHER = ' ';

/** Which set a layer is of: none, one that there is, or another one. */
export function SetField({ label, set, template, onChange }: SetFieldProps) {
  const [naming, setNaming] = useState(false);
  return (
    <>
      <SelectField
        label={label}
        value={set ?? NONE}
        onChange={(next) => (next === ANOTHER ? setNaming(true) : onChange(next === NONE ? null : next))}
      >
        <option value={NONE}>none</option>
        {setNames(template).map((name) => (
          <option key={name} value={name}>
            {name}
          </option>
        ))}
        <option value={ANOTHER}>another…</option>
      </SelectField>
      {naming && (
        <NameDialog
          title="Another set"
          suggestion={nextSetName(template)}
          help={() => 'Neighbours of one set are laid on each other first, then all together.'}
          onSave={async (name) => {
            onChange(name.slice(0, 60));
            setNaming(false);
          }}
          onHide={() => setNaming(false)}
        />
      )}
    </>
  );
}
