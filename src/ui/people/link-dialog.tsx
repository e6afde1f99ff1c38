'use client';
import { useId } from 'react';
import { Form } from 'react-bootstrap';
import { CopyButton } from '../shared/copy-button';
import { Dialog } from '../shared/dialog';

type LinkDialogProps = {
  readonly title: string;
  /** What to do with it. */
  readonly words: string;
  readonly label: string;
  readonly text: string;
  readonly onHide: () => void;
};

/** Something that is shown this once, to be copied. */
export function LinkDialog({ title, words, label, text, onHide }: LinkDialogProps) {
  const id = useId();
  return (
    <Dialog title={title} onHide={onHide} action={<CopyButton label="Copy" text={() => text} />}>
      <p>{words}</p>
      <Form.Group controlId={id}>
        <Form.Label>{label}</Form.Label>
        <Form.Control readOnly value={text} onFocus={(event) => event.target.select()} />
      </Form.Group>
    </Dialog>
  );
}

/** Where a one-time link leads, by its token. */
export const linkTo = (token: string) => `${window.location.origin}/welcome#${token}`;
