'use client';
import { Modal } from 'react-bootstrap';
import { Key } from './key';
import { entriesOf, STAGE_KEYS } from './table';

const PARTS = [
  ['Everywhere', entriesOf('page').map(([, entry]) => entry)],
  ['Wall', entriesOf('wall').map(([, entry]) => entry)],
  ['Easel', entriesOf('easel').map(([, entry]) => entry)],
  ['Table of photo data', entriesOf('table').map(([, entry]) => entry)],
  ['Stage', STAGE_KEYS],
] as const;

/** All keys, made from the table that the screens go by. */
export function KeySheet({ show, onHide }: { readonly show: boolean; readonly onHide: () => void }) {
  return (
    <Modal show={show} onHide={onHide} size="lg" aria-labelledby="keys-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="keys-title">
          Keys
        </Modal.Title>
      </Modal.Header>
      <Modal.Body className="key-sheet">
        {PARTS.map(([title, entries]) => (
          <section key={title}>
            <h3 className="small-text muted mb-1">{title}</h3>
            <dl className="mb-2">
              {entries
                .filter(({ shown }) => shown !== '')
                .map(({ shown, does }) => (
                  <div key={shown + does} className="d-flex gap-2">
                    <dt className="fw-normal">
                      <Key shown={shown} />
                    </dt>
                    <dd className="mb-0">{does}</dd>
                  </div>
                ))}
            </dl>
          </section>
        ))}
      </Modal.Body>
    </Modal>
  );
}
