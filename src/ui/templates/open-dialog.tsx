'use client';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { FIELD_GROUPS, type FieldGroup, type OpenFields } from '@/core/template';
import { FormDialog } from '../shared/form-dialog';

const GROUPS = Object.keys(FIELD_GROUPS) as FieldGroup[];

type OpenDialogProps = {
  readonly open: OpenFields;
  readonly onSave: (open: OpenFields) => Promise<unknown>;
  readonly onHide: () => void;
};

/** What may be changed in batches that use a template. */
export function OpenDialog({ open, onSave, onHide }: OpenDialogProps) {
  const [all, setAll] = useState(open === null);
  const [chosen, setChosen] = useState<readonly FieldGroup[]>(open ?? ['captions', 'outputs']);
  const toggle = (group: FieldGroup) =>
    setChosen(chosen.includes(group) ? chosen.filter((one) => one !== group) : [...chosen, group]);
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
          <Form.Check
            key={group}
            id={`open-${group}`}
            label={FIELD_GROUPS[group].label}
            checked={all || chosen.includes(group)}
            onChange={() => toggle(group)}
          />
        ))}
      </fieldset>
      <p className="muted small-text mt-2 mb-0">
        The rest is locked there: a batch that needs more saves a copy under another name.
      </p>
    </FormDialog>
  );
}
