'use client';
import { useId, useState } from 'react';
import { Form } from 'react-bootstrap';
import type { DeliveryProgress } from '@/server/services';
import { Dialog } from '../shared/dialog';

type HtmlDialogProps = { readonly delivery: DeliveryProgress; readonly onHide: () => void };

/** Where the pictures will lie, and the HTML that shows them. */
export function HtmlDialog({ delivery, onHide }: HtmlDialogProps) {
  const id = useId();
  const [prefix, setPrefix] = useState('');
  return (
    <Dialog
      title="HTML of the pictures"
      onHide={onHide}
      action={
        <a
          className="btn btn-primary"
          href={`/api/deliveries/${delivery.id}/html?${new URLSearchParams({ prefix })}`}
          download
        >
          Download
        </a>
      }
    >
      <Form.Group controlId={`${id}-prefix`}>
        <Form.Label>Address before the files’ names</Form.Label>
        <Form.Control
          value={prefix}
          maxLength={500}
          placeholder="none: the files lie beside it"
          onChange={(event) => setPrefix(event.target.value)}
        />
        <Form.Text>
          For each photo one picture with all its sizes and formats, and the alternative text of the template’s
          metadata.
        </Form.Text>
      </Form.Group>
    </Dialog>
  );
}
