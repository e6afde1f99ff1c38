'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useState } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import type { FileName } from '@/core/export';
import { plural } from '../shared/words';
import { FindingMark } from '../shared/finding-mark';

const ROW = 30;

const remark = ({ isNumbered, isOdd }: FileName): string | null =>
  isNumbered ? 'got a number' : isOdd ? 'odd letters' : null;

function Names({ names }: { readonly names: readonly FileName[] }) {
  // State, not a ref: the list is first there once the dialog has opened.
  const [scroller, setScroller] = useState<HTMLDivElement | null>(null);
  // oxlint-disable-next-line react/incompatible-library -- the virtualizer's answers change without its identity; nothing here is memoised on it
  const virtual = useVirtualizer({ count: names.length, getScrollElement: () => scroller, estimateSize: () => ROW });
  return (
    <div ref={setScroller} className="name-list" tabIndex={0} role="list" aria-label="File names">
      <div style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map(({ index, start }) => {
          const name = names[index]!;
          const words = remark(name);
          return (
            <div
              key={index}
              role="listitem"
              aria-posinset={index + 1}
              aria-setsize={names.length}
              className="row-of-names"
              style={{ top: start, height: ROW }}
            >
              <span title={name.file}>{name.file}</span>
              <span className="muted" title={name.of}>
                {name.of}, {name.output}
              </span>
              <span className="small-text">
                {words && (
                  <>
                    <FindingMark />
                    {words}
                  </>
                )}
              </span>
            </div>
          );
        })}
      </div>
    </div>
  );
}

/** What all files will be called, and which of the names somebody should look at. */
function NamesDialog({ names, onHide }: { readonly names: readonly FileName[]; readonly onHide: () => void }) {
  const [only, setOnly] = useState(false);
  const marked = names.filter((name) => remark(name) !== null);
  return (
    <Modal show size="lg" onHide={onHide} aria-labelledby="names-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="names-title">
          {plural(names.length, 'file')}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p className="muted mb-2">
          Names that come out the same get a number. Shops and servers may refuse gaps, accents and signs: put{' '}
          <strong>|slug</strong> behind a field’s name, as in {'{photo|slug}'}.
        </p>
        {marked.length > 0 && (
          <Form.Check
            id="only-marked-names"
            className="mb-2"
            type="checkbox"
            label={`Only the ${plural(marked.length, 'name')} with a mark`}
            checked={only}
            onChange={(event) => setOnly(event.target.checked)}
          />
        )}
        <Names names={only ? marked : names} />
      </Modal.Body>
    </Modal>
  );
}

/** The way to the list of names; says how many should be looked at. */
export function NamesLink({ names }: { readonly names: () => readonly FileName[] }) {
  const [shown, setShown] = useState<readonly FileName[] | null>(null);
  return (
    <>
      <Button variant="quiet" onClick={() => setShown(names())}>
        See all file names…
      </Button>
      {shown && <NamesDialog names={shown} onHide={() => setShown(null)} />}
    </>
  );
}
