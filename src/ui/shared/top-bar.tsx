'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useEffect, useState } from 'react';
import { Button, Modal } from 'react-bootstrap';

const KEYS: readonly (readonly [string, string])[] = [
  ['← ↑ → ↓', 'go from photo to photo on the wall'],
  ['Home, End', 'first and last photo'],
  ['Enter', 'put the photo on the easel'],
  ['G, X, O', 'chosen photos: good, left out, still to look at'],
  ['arrows on the easel', 'nudge the photo by 1, with Shift by 10'],
  ['+ − , .', 'on the easel: scale, turn'],
  ['N, P, 0, B, T', 'on the easel: next, back, reset, before and after, true size'],
  ['Shift + arrows', 'choose several'],
  ['Ctrl + A', 'choose all'],
  ['Esc', 'choose none, or close what is open'],
  ['Delete', 'take the chosen photos out of the batch'],
  ['Ctrl + Z', 'undo a change of the template'],
  ['Ctrl + Shift + Z', 'redo it'],
  ['arrows on the stage', 'move what has the focus by 1, with Shift by 10'],
  ['S, C, A, Delete', 'on a point: smooth, corner, add one after it, take it out'],
  ['?', 'this sheet'],
];

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

function KeySheet({ show, onHide }: { show: boolean; onHide: () => void }) {
  return (
    <Modal show={show} onHide={onHide} aria-labelledby="keys-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="keys-title">
          Keys
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <dl className="row mb-0">
          {KEYS.map(([key, does]) => (
            <div key={key} className="d-flex py-1">
              <dt className="col-5 fw-normal">
                <kbd>{key}</kbd>
              </dt>
              <dd className="col-7 mb-0">{does}</dd>
            </div>
          ))}
        </dl>
      </Modal.Body>
    </Modal>
  );
}

const PAGES = [
  { href: '/', label: 'Batches', match: /^\/(?:batches.*)?$/ },
  { href: '/shapes', label: 'Shapes', match: /^\/shapes/ },
  { href: '/deliveries', label: 'Deliveries', match: /^\/deliveries/ },
];

export function TopBar() {
  const path = usePathname();
  const [keys, setKeys] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === '?' && !isTyping(event.target)) setKeys(true);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    <header className="top">
      <Link href="/" className="brand">
        <svg width="22" height="22" viewBox="0 0 22 22" aria-hidden>
          <circle cx="11" cy="11" r="9.5" fill="#fff" stroke="#176b5b" strokeWidth="3" />
          <circle cx="11" cy="11" r="3.2" fill="#1c2224" />
        </svg>
        Wobrel
      </Link>
      <nav aria-label="Screens">
        {PAGES.map(({ href, label, match }) => (
          <Link key={href} href={href} aria-current={match.test(path) ? 'page' : undefined}>
            {label}
          </Link>
        ))}
      </nav>
      <Button variant="quiet" className="end" onClick={() => setKeys(true)}>
        Keys <kbd>?</kbd>
      </Button>
      <KeySheet show={keys} onHide={() => setKeys(false)} />
    </header>
  );
}
