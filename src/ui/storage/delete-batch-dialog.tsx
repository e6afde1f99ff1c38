'use client';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import type { BatchUsage } from '@/server/services';
import { api } from '../shared/api';
import { FormDialog } from '../shared/form-dialog';
import { fileSize, plural } from '../shared/words';

type DeleteBatchDialogProps = {
  readonly batch: BatchUsage;
  readonly onDeleted: () => Promise<void>;
  readonly onHide: () => void;
};

/** Asks before a batch is deleted, and whether its deliveries go, too. */
export function DeleteBatchDialog({ batch, onDeleted, onHide }: DeleteBatchDialogProps) {
  const { id, name, photos, deliveries, delivered } = batch;
  const [all, setAll] = useState(false);
  return (
    <FormDialog
      title={`Delete ${name}`}
      action="Delete"
      onDo={async () => {
        await api(`/api/batches/${id}?deliveries=${all}`, 'DELETE');
        await onDeleted();
      }}
      onHide={onHide}
    >
      <p>
        {photos.files === 0
          ? 'The batch has no photos.'
          : `Its ${plural(photos.files, 'photo')} and what was done to them are gone for good.`}{' '}
        Saved templates stay.
      </p>
      {deliveries > 0 && (
        <>
          <Form.Check
            id="delete-deliveries"
            label={`Delete its ${plural(deliveries, 'delivery', 'deliveries')}, too (${fileSize(delivered.bytes)})`}
            checked={all}
            onChange={(event) => setAll(event.target.checked)}
          />
          <Form.Text>
            {all
              ? 'Their files are gone for good.'
              : 'They stay, and so do the photos that they would be made again from.'}
          </Form.Text>
        </>
      )}
    </FormDialog>
  );
}
