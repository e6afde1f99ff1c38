'use client';
import Link from 'next/link';
import { usePathname, useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { ActionFinder } from '../keys/action-finder';
import { KeySheet } from '../keys/key-sheet';
import { useKeys } from '../keys/use-keys';
import { AccountMenu } from '../people/account-menu';
import { Spoken } from './say';

const PAGES = [
  { href: '/', label: 'Batches', match: /^\/(?:batches.*|storage)?$/ },
  { href: '/templates', label: 'Templates', match: /^\/templates/ },
  { href: '/shapes', label: 'Shapes', match: /^\/shapes/ },
  { href: '/deliveries', label: 'Deliveries', match: /^\/deliveries/ },
  { href: '/help', label: 'Help', match: /^\/help/ },
];

export function TopBar() {
  const path = usePathname();
  const [keys, setKeys] = useState(false);
  const [finding, setFinding] = useState(false);
  const router = useRouter();
  useKeys('page', {
    sheet: () => setKeys(true),
    find: () => setFinding(true),
    toBatches: () => router.push('/'),
    toTemplates: () => router.push('/templates'),
    toShapes: () => router.push('/shapes'),
    toDeliveries: () => router.push('/deliveries'),
    toHelp: () => router.push('/help'),
    toDoings: () => router.push('/doings'),
    toPeople: () => router.push('/people'),
  });
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
      <Button variant="quiet" className="end" onClick={() => setFinding(true)}>
        Find an action <kbd>/</kbd>
      </Button>
      <Button variant="quiet" className="only-keys" onClick={() => setKeys(true)}>
        Keys <kbd>?</kbd>
      </Button>
      <AccountMenu />
      {finding && <ActionFinder onHide={() => setFinding(false)} />}
      <Spoken />
      <KeySheet show={keys} onHide={() => setKeys(false)} />
    </header>
  );
}
