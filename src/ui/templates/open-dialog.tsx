'use client';
import { useState } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import { FIELD_GROUPS, type FieldGroup, type OpenFields } from '@/core/template';

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
  const [error, setError] = useState<string | null>(null);
  const toggle = (group: FieldGroup) =>
    setChosen(chosen.includes(group) ? chosen.filter((one) => one !== group) : [...chosen, group]);
  return (
    <Modal show onHide={onHide} aria-labelledby="open-title">
      <Form
        onSubmit={(event) => {
          event.preventDefault();
          onSave(all ? null : chosen).catch((e: Error) => setError(e.message));
        }}
      >
        <Modal.Header closeButton>
          <Modal.Title as="h2" id="open-title">
            What batches may change
          </Modal.Title>
        </Modal.Header>
        <Modal.Body>
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
          {error && (
            <p className="text-danger mt-2 mb-0" role="alert">
              ✕ {error}
            </p>
          )}
        </Modal.Body>
        <Modal.Footer>
          <Button variant="plain" onClick={onHide}>
            Cancel
          </Button>
          <Button type="submit">Save</Button>
        </Modal.Footer>
      </Form>
    </Modal>
  );
}
