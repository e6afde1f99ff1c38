'use client';
import type { ReactNode } from 'react';
import { CHECKS, type Finding } from '@/core/checks';
import { plural } from '../shared/words';
import type { PhotoFindings } from './use-findings';

type ChecksPanelProps = {
  /** Mends a finding on all photos that have it. */
  /** A way to the figures. */
  readonly report?: ReactNode;
  readonly onMendAll: (check: string, words: string) => void;
  readonly findings: PhotoFindings;
  /** The check the wall is narrowed to; null shows all photos. */
  readonly only: string | null;
  readonly onOnly: (check: string | null) => void;
};

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

const sentence = ({ message, mend }: Finding) => `${capital(message)}. To mend it, ${mend}.`;

/** Every check with the number of photos that fail it, and what would mend it. */
export function ChecksPanel({ findings: { byPhoto, ofOutputs }, only, onOnly, onMendAll, report }: ChecksPanelProps) {
  return (
    <>
      <div className="side-block">
        <strong>{byPhoto.size === 0 ? 'No photo to look at' : `${plural(byPhoto.size, 'photo')} to look at`}</strong>
        <p className="muted small-text mb-1">Choose a check to see only the photos that fail it.</p>
        {report}
      </div>
      {ofOutputs.map((finding) => (
        <div key={finding.message} className="side-block">
          <span className="finding-mark" aria-hidden>
            ▲{' '}
          </span>
          {sentence(finding)}
        </div>
      ))}
      <ul className="list-plain">
        {CHECKS.filter((check) => check.about === 'photo').map((check) => {
          const failing = [...byPhoto.values()].filter((list) => list.some((f) => f.check === check.id));
          const example = failing[0]?.find((f) => f.check === check.id);
          return (
            <li key={check.id} className="side-block">
              <div className="d-flex justify-content-between gap-2 align-items-baseline">
                <span>
                  <span className={failing.length ? 'finding-mark' : 'muted'} aria-hidden>
                    {failing.length ? '▲ ' : '✓ '}
                  </span>
                  {check.label}
                </span>
                <span className="muted text-nowrap">
                  {failing.length === 0 ? 'none' : plural(failing.length, 'photo')}
                </span>
              </div>
              {example && (
                <div className="d-flex flex-wrap gap-2">
                  <p className="muted small-text mb-0 w-100">{sentence(example)}</p>
                  <button
                    type="button"
                    className={`btn ${only === check.id ? 'btn-primary' : 'btn-plain'}`}
                    aria-pressed={only === check.id}
                    onClick={() => onOnly(only === check.id ? null : check.id)}
                  >
                    {only === check.id ? 'Show all photos' : 'Show only these'}
                  </button>
                  {check.repair && (
                    <button
                      type="button"
                      className="btn btn-plain"
                      onClick={() => onMendAll(check.id, check.repair!.words)}
                    >
                      {failing.length === 1 ? capital(check.repair.words) : `All: ${check.repair.words}`}
                    </button>
                  )}
                </div>
              )}
            </li>
          );
        })}
      </ul>
    </>
  );
}
