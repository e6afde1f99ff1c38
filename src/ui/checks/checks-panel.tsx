'use client';
import { use, type ReactNode } from 'react';
import { CHECKS, type CheckDefinition, type Finding } from '@/core/checks';
import { brokenLock, templateOutline, type Template } from '@/core/template';
import { WhatIs } from '../shared/what-is';
import { plural } from '../shared/words';
import { LocksContext } from '../template/locks';
import type { PhotoFindings } from './photo-findings';
import { FindingMark } from '../shared/finding-mark';
import { NotChecked } from './not-checked';

type ChecksPanelProps = {
  readonly template: Template;
  readonly findings: PhotoFindings;
  /** Whether all photos have been checked by now. */
  readonly isChecked: boolean;
  /** A way to the figures. */
  readonly report?: ReactNode;
  /** What can be done about several checks at once. */
  readonly children?: ReactNode;
  /** The check the wall is narrowed to; null shows all photos. */
  readonly only: string | null;
  readonly onOnly: (check: string | null) => void;
  /** Mends a finding by changing the template. */
  readonly onRemake: (change: Remade) => void;
  /** Mends a finding on all photos that have it. */
  readonly onMendAll: (check: string, words: string) => void;
};

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

const sentence = ({ message, mend }: Finding) => `${capital(message)}. To mend it, ${mend}.`;

const listed = (parts: readonly string[]) => (parts.length === 0 ? 'Nothing' : parts.join(' and '));

/** What there is to look at: the checks that photos fail, with their number and what would mend them, before those that none fails. */
export function ChecksPanel({
  template,
  findings: { byPhoto, ofOutputs, fault },
  isChecked,
  only,
  onOnly,
  onRemake,
  onMendAll,
  report,
  children,
}: ChecksPanelProps) {
  const first = new Map<string, Finding>();
  const counts = new Map<string, number>();
  for (const list of byPhoto.values()) {
    for (const finding of list) if (!first.has(finding.check)) first.set(finding.check, finding);
    // A photo that fails a check for two of its outputs is one photo.
    for (const check of new Set(list.map(({ check }) => check))) counts.set(check, (counts.get(check) ?? 0) + 1);
  }
  const ofPhotos = CHECKS.filter((check) => check.about === 'photo');
  const passed = ofPhotos.filter(({ id }) => !counts.has(id));
  const toLookAt = [
    byPhoto.size > 0 ? plural(byPhoto.size, 'photo') : '',
    ofOutputs.length > 0 ? plural(ofOutputs.length, 'output') : '',
  ].filter(Boolean);
  return (
    <>
      <div className="side-block">
        {fault ? (
          <NotChecked fault={fault} />
        ) : (
          <>
            <strong>{toLookAt.length === 0 && !isChecked ? 'Checking…' : `${listed(toLookAt)} to look at`}</strong>
            <p className="muted small-text mb-1">
              Choose a check to see only the photos that fail it. <WhatIs word="finding" />
            </p>
          </>
        )}
        {report}
      </div>
      {children}
      {ofOutputs.map((finding) => (
        <div key={finding.message} className="side-block">
          <p className="mb-1">
            <FindingMark />
            {sentence(finding)}
          </p>
          <Remake check={CHECKS.find(({ id }) => id === finding.check)!} template={template} onRemake={onRemake} />
        </div>
      ))}
      <ul className="list-plain">
        {ofPhotos
          .filter(({ id }) => counts.has(id))
          .map((check) => (
            <Failed
              key={check.id}
              check={check}
              count={counts.get(check.id)!}
              example={first.get(check.id)!}
              isOnly={only === check.id}
              onOnly={(on) => onOnly(on ? check.id : null)}
              onMendAll={(words) => onMendAll(check.id, words)}
              template={template}
              onRemake={onRemake}
            />
          ))}
      </ul>
      {isChecked && (
        <details className="side-block" open={counts.size === 0}>
          <summary>{plural(passed.length, 'check')} with nothing to look at</summary>
          <ul className="list-plain muted small-text">
            {passed.map(({ id, label }) => (
              <li key={id}>
                <span aria-hidden>✓ </span>
                {label}
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}

type Remade = NonNullable<CheckDefinition['remake']>['change'];

type RemakeProps = Pick<ChecksPanelProps, 'template' | 'onRemake'> & { readonly check: CheckDefinition };

/** What one click does to the template; greyed, with the reason, where a part that it changes is locked. */
function Remake({ check: { remake }, template, onRemake }: RemakeProps) {
  const locks = use(LocksContext);
  if (!remake) return null;
  const next = () => remake.change(template, templateOutline(template));
  const isLocked = locks !== null && brokenLock(locks.open, next(), [template]) !== null;
  return (
    <>
      <button type="button" className="btn btn-plain" disabled={isLocked} onClick={() => onRemake(remake.change)}>
        {capital(remake.words)}
      </button>
      {isLocked && <p className="small-text mb-0 w-100">{locks.why}</p>}
    </>
  );
}

type FailedProps = Pick<ChecksPanelProps, 'template' | 'onRemake'> & {
  readonly check: CheckDefinition;
  readonly count: number;
  readonly example: Finding;
  readonly isOnly: boolean;
  readonly onOnly: (on: boolean) => void;
  readonly onMendAll: (words: string) => void;
};

function Failed({ check, count, example, isOnly, onOnly, onMendAll, ...remake }: FailedProps) {
  const { label, repair } = check;
  return (
    <li className="side-block">
      <div className="d-flex justify-content-between gap-2 align-items-baseline">
        <span>
          <FindingMark />
          {label}
        </span>
        <span className="muted text-nowrap">{plural(count, 'photo')}</span>
      </div>
      <div className="d-flex flex-wrap gap-2">
        <p className="muted small-text mb-0 w-100">{sentence(example)}</p>
        <button
          type="button"
          className={`btn ${isOnly ? 'btn-primary' : 'btn-plain'}`}
          aria-pressed={isOnly}
          onClick={() => onOnly(!isOnly)}
        >
          {isOnly ? 'Show all photos' : 'Show only these'}
        </button>
        {repair && (
          <button type="button" className="btn btn-plain" onClick={() => onMendAll(repair.words)}>
            {count === 1 ? capital(repair.words) : `All: ${repair.words}`}
          </button>
        )}
        <Remake check={check} {...remake} />
      </div>
    </li>
  );
}
