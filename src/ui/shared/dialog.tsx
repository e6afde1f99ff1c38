'use client';
import { useId, type ReactNode } from 'react';
import { Button, Modal } from 'react-bootstrap';

type DialogProps = {
  readonly title: string;
  readonly size?: 'lg';
  /** What can be done, beside closing it. */
  readonly action?: ReactNode;
  readonly onHide: () => void;
  readonly children: ReactNode;
};

/** Something to look at or to set, with nothing to send: closed by its button, its cross or Escape. */
export function Dialog({ title, size, action, onHide, children }: DialogProps) {
  const id = useId();
  return (
    <Modal show size={size} onHide={onHide} aria-labelledby={id}>
      <Modal.Header closeButton>
        <Modal.Title as="h2" id={id}>
          {title}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>{children}</Modal.Body>
      <Modal.Footer>
        <Button variant="plain" onClick={onHide}>
          Close
        </Button>
        {action}
      </Modal.Footer>
    </Modal>
  );
}
