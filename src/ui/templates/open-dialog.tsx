'use client';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { FIELD_GROUPS, lockableFields, openWords, type FieldGroup, type OpenFields } from '@/core/template';
import { FormDialog } from '../shared/form-dialog';

const GROUPS = Object.keys(FIELD_GROUPS) as FieldGroup[];

type OpenDialogProps = {
  readonly open: OpenFields;
  readonly onSave: (open: OpenFields) => Promise<unknown>;
  readonly onHide: () => void;
};

type Ticks = {
  readonly isOn: (one: string) => boolean;
  readonly onToggle: (one: string) => void;
};

/** One part, and the single fields of it, which are opened where the part is not. */
function PartTicks({ group, isOn, onToggle }: Ticks & { readonly group: FieldGroup }) {
  const { label } = FIELD_GROUPS[group];
  const fields = lockableFields(group);
  const some = fields.filter(({ path }) => isOn(path));
  return (
    <div className="open-part">
      <Form.Check id={`open-${group}`} label={label} checked={isOn(group)} onChange={() => onToggle(group)} />
      {fields.length > 0 && !isOn(group) && (
        <details>
          <summary className="muted small-text">
            {some.length === 0 ? 'single fields' : some.map((field) => field.label).join(', ')}
            <span className="visually-hidden"> of {label}</span>
          </summary>
          <div role="group" aria-label={`Fields of ${label}`}>
            {fields.map(({ path, label: name }) => (
              <Form.Check
                key={path}
                id={`open-${path}`}
                label={name}
                checked={isOn(path)}
                onChange={() => onToggle(path)}
              />
            ))}
          </div>
        </details>
      )}
    </div>
  );
}

/** What may be changed in batches that use a template. */
export function OpenDialog({ open, onSave, onHide }: OpenDialogProps) {
  const [all, setAll] = useState(open === null);
  const [chosen, setChosen] = useState<readonly string[]>(open ?? ['captions', 'outputs']);
  const toggle = (one: string) =>
    setChosen(chosen.includes(one) ? chosen.filter((other) => other !== one) : [...chosen, one]);
  return (
    <FormDialog title="What batches may change" action="Save" onDo={() => onSave(all ? null : chosen)} onHide={onHide}>
      <Form.Check
        type="radio"
        id="open-all"
        name="open"
        label="everything"
        checked={all}
        onChange={() => setAll(true)}
      />
      <Form.Check
        type="radio"
        id="open-some"
        name="open"
        label="only what is ticked"
        checked={!all}
        onChange={() => setAll(false)}
      />
      <fieldset className="open-fields" disabled={all} aria-label="Parts that batches may change">
        {GROUPS.map((group) => (
          <PartTicks key={group} group={group} isOn={(one) => all || chosen.includes(one)} onToggle={toggle} />
        ))}
      </fieldset>
      <p className="muted small-text mt-2 mb-0">
        {!all && `Batches may change ${openWords(chosen)}. `}The rest is locked there: a batch that needs more saves a
        copy under another name.
      </p>
    </FormDialog>
  );
}
