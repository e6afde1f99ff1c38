'use client';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { openWords } from '@/core/template';
import type { StripPhoto } from '@/server/services';
import { api } from '../shared/api';
import { FormDialog } from '../shared/form-dialog';
import type { BroughtIn } from './template-file';
import { TemplateStrip } from './template-strip';
import { makesWords, outputsWords } from './template-words';

type BringInDialogProps = {
  readonly brought: BroughtIn;
  readonly sample: readonly StripPhoto[];
  readonly onDone: () => void;
  readonly onHide: () => void;
};

/** What a file holds, before it is kept: as a new template, or as a version of the one that is called so. */
export function BringInDialog({ brought, sample, onDone, onHide }: BringInDialogProps) {
  const { document, template, open, nextVersion } = brought;
  const [name, setName] = useState(template.name);
  const isTaken = nextVersion !== null && name.trim() === template.name;
  const keep = async () => {
    const { id } = await api<{ id: number }>('/api/templates', 'POST', { template: { ...document, name: name.trim() }, asVersion: isTaken }); // prettier-ignore
    // A template that is here already keeps its own locks.
    if (open && !isTaken) await api(`/api/templates/${id}`, 'PATCH', { open });
    onDone();
  };
  return (
    <FormDialog
      title={`Bring in “${template.name}”`}
      action={isTaken ? `Keep as version ${nextVersion}` : 'Keep it'}
      cancel="Skip it"
      disabled={name.trim() === ''}
      onDo={keep}
      onHide={onHide}
    >
      <div className="template-card">
        <TemplateStrip template={template} photos={sample} batch="" />
        <p className="small-text mt-2 mb-1">{makesWords(template)}</p>
        <p className="muted small-text">
          {outputsWords(template)}
          {open && ` · batches may change ${openWords(open)}`}
        </p>
        <Form.Group controlId="bring-in-name">
          <Form.Label>Name</Form.Label>
          <Form.Control value={name} maxLength={120} onChange={(event) => setName(event.target.value)} />
          <Form.Text>
            {isTaken
              ? `There is one called so already: this becomes version ${nextVersion} of it. Another name keeps both.`
              : 'A new template that every batch can use.'}
          </Form.Text>
        </Form.Group>
      </div>
    </FormDialog>
  );
}
