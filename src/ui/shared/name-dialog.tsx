'use client';
import { useId, useState } from 'react';
import { Form } from 'react-bootstrap';
import { FormDialog } from './form-dialog';

type NameDialogProps = {
  readonly title: string;
  readonly suggestion: string;
  /** What saving under a name will mean. */
  readonly help: (name: string) => string;
  /** True where something may be said of what is saved. */
  readonly withNote?: boolean;
  /** Saves; what it throws is shown. */
  readonly onSave: (name: string, note: string | null) => Promise<unknown>;
  readonly onHide: () => void;
};

/** Asks for the name to save something under. */
export function NameDialog({ title, suggestion, help, withNote = false, onSave, onHide }: NameDialogProps) {
  const id = useId();
  const [name, setName] = useState(suggestion);
  const [note, setNote] = useState('');
  return (
    <FormDialog
      title={title}
      action="Save"
      disabled={name.trim() === ''}
      onDo={() => onSave(name.trim(), note.trim() || null)}
      onHide={onHide}
    >
      <Form.Group controlId={`${id}-name`}>
        <Form.Label>Name</Form.Label>
        <Form.Control
          value={name}
          autoFocus
          // A name of one's own is typed over the suggestion.
          onFocus={(event) => event.target.select()}
          maxLength={120}
          onChange={(event) => setName(event.target.value)}
        />
        <Form.Text>{help(name.trim())}</Form.Text>
      </Form.Group>
      {withNote && (
        <Form.Group controlId={`${id}-note`} className="mt-3">
          <Form.Label>Note, if you like</Form.Label>
          <Form.Control value={note} maxLength={500} onChange={(event) => setNote(event.target.value)} />
        </Form.Group>
      )}
    </FormDialog>
  );
}
