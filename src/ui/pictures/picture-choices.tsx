'use client';
import type { ReactNode } from 'react';
import { LongList } from '../shared/long-list';

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
export const PictureChoices = ({ label, noun, choices }: PictureChoicesProps) => (
  <LongList all={choices} noun={noun} textOf={({ name }) => name}>
    {(shown) => (
      <ul className="picture-list" aria-label={label}>
        {shown.map(({ key, name, address, about, beside, onPick }) => (
          <li key={key}>
            <button type="button" className="picture-choice" onClick={onPick}>
              {/* oxlint-disable-next-line nextjs/no-img-element -- a file of our own server, as it is */}
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
    )}
  </LongList>
);
