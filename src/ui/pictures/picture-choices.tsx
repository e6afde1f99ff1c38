'use client';
import { useState, type ReactNode } from 'react';
import { Form } from 'react-bootstrap';
import { amount, plural } from '../shared/words';

/** Pictures that are shown at once: among more, names are looked for. */
const MOST = 24;

type Choice = {
  readonly key: string;
  readonly name: string;
  /** Where a small picture of it is. */
  readonly address: string;
  /** Said below its name. */
  readonly about?: string;
  /** What else can be done with it. */
  readonly beside?: ReactNode;
  readonly onPick: () => void;
};

type PictureChoicesProps = {
  readonly label: string;
  /** What one of them is called. */
  readonly noun: string;
  readonly choices: readonly Choice[];
};

/** Pictures with their names, to choose one of. */
export function PictureChoices({ label, noun, choices }: PictureChoicesProps) {
  const [search, setSearch] = useState('');
  const wanted = search.trim().toLowerCase();
  const found = choices.filter(({ name }) => name.toLowerCase().includes(wanted));
  return (
    <>
      {choices.length > MOST && (
        <Form.Control
          type="search"
          size="sm"
          className="mb-2"
          aria-label={`Look for a ${noun}`}
          placeholder={`Look for one of ${plural(choices.length, noun)}`}
          value={search}
          onChange={(event) => setSearch(event.target.value)}
        />
      )}
      <ul className="picture-list" aria-label={label}>
        {found.slice(0, MOST).map(({ key, name, address, about, beside, onPick }) => (
          <li key={key}>
            <button type="button" className="picture-choice" onClick={onPick}>
              {/* eslint-disable-next-line @next/next/no-img-element -- a file of our own server, as it is */}
              <img src={address} alt="" loading="lazy" />
              <strong className="name-line" title={name}>
                {name}
              </strong>
              {about && <span className="muted small-text">{about}</span>}
            </button>
            {beside}
          </li>
        ))}
      </ul>
      {found.length > MOST && (
        <p className="muted small-text mt-2 mb-0">and {amount(found.length - MOST)} more: look for a name.</p>
      )}
      {choices.length > 0 && found.length === 0 && <p className="muted mb-0">No {noun} is called so.</p>}
    </>
  );
}
