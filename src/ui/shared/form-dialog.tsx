'use client';
import { useId, useState, type ReactNode } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';

type FormDialogProps = {
  readonly title: string;
  /** What the button says that does it, and the one that does not. */
  readonly action: string;
  readonly cancel?: string;
  readonly disabled?: boolean;
  readonly size?: 'lg';
  /** Does it; what it throws is shown. */
  readonly onDo: () => Promise<unknown>;
  readonly onHide: () => void;
  readonly children: ReactNode;
};

/** A few fields, a button that does something with them, and why it could not. */
export function FormDialog({
  title,
  action,
  cancel = 'Cancel',
  disabled = false,
  size,
  onDo,
  onHide,
  children,
}: FormDialogProps) {
  const id = useId();
  const [error, setError] = useState<string | null>(null);
  return (
    <Modal show size={size} onHide={onHide} aria-labelledby={`${id}-title`}>
      <Form
        onSubmit={(event) => {
          event.preventDefault();
          onDo().catch((e: Error) => setError(e.message));
        }}
      >
        <Modal.Header closeButton>
          <Modal.Title as="h2" id={`${id}-title`}>
            {title}
          </Modal.Title>
        </Modal.Header>
        <Modal.Body>
          {children}
          {error && (
            <p className="text-danger mt-2 mb-0" role="alert">
              ✕ {error}
            </p>
          )}
        </Modal.Body>
        <Modal.Footer>
          <Button variant="plain" onClick={onHide}>
            {cancel}
          </Button>
          <Button type="submit" disabled={disabled}>
            {action}
          </Button>
        </Modal.Footer>
      </Form>
    </Modal>
  );
}
