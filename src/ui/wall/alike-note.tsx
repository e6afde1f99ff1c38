'use client';
import { Button, ProgressBar } from 'react-bootstrap';
import { isDoubtful, isExample, isToLookAt } from '@/core/checks';
import type { PhotoFindings } from '../checks/photo-findings';
import { useMay } from '../people/who';
import type { BenchPhoto } from '../photos/in-slots';
import { amount, plural } from '../shared/words';
import type { Alike } from './use-alike';

/** @param isAgain true where all of them were looked for before */
export function doubtWords(examples: number, doubtful: number, isAgain: boolean): string {
  const pointed = `${plural(examples, 'subject')} pointed at by hand;`;
  if (doubtful === 0) return `${pointed} none of the others is in doubt.`;
  const others = `${amount(doubtful)} of the others ${doubtful === 1 ? 'is' : 'are'}`;
  return `${pointed} ${others} ${isAgain ? 'still in doubt: point at one of them.' : 'in doubt.'}`;
}

type AlikeNoteProps = {
  /** Those that are exported. */
  readonly photos: readonly BenchPhoto[];
  readonly findings: PhotoFindings;
  readonly alike: Alike;
};

/** Where subjects were pointed at and others are in doubt: finds those like them. */
export function AlikeNote({ photos, findings, alike: { run, outcome, failure, find, stop } }: AlikeNoteProps) {
  const mayWork = useMay('artist');
  const examples = photos.filter(({ handSubject }) => isExample(handSubject)).length;
  if (!run && !outcome && examples === 0) return null;
  const doubtful = photos.filter(({ id, review, handSubject }) => {
    const placed = findings.placed.get(id);
    return placed && isToLookAt(review, isDoubtful(handSubject, placed, findings.byPhoto.get(id) ?? []));
  });
  const isAgain = doubtful.every(({ handSubject }) => handSubject !== null);
  if (!run && !outcome && doubtful.length === 0) return null;
  return (
    <section className="side-block" aria-label="Subjects like others">
      {run ? (
        <>
          <p className="mb-1" role="status">
            Looking for subjects like those: {run.done} of {run.of}
          </p>
          <ProgressBar className="mb-2" now={run.done} max={run.of} aria-label="Photos looked at" />
          <Button variant="plain" onClick={stop}>
            Stop
          </Button>
        </>
      ) : (
        <>
          <p className="mb-1">{doubtWords(examples, doubtful.length, isAgain)}</p>
          <Button
            variant="plain"
            disabled={!mayWork || examples === 0 || doubtful.length === 0}
            onClick={() => void find(doubtful.map(({ id }) => id))}
          >
            {examples === 1 ? 'Find those like it' : 'Find those like them'}
          </Button>
        </>
      )}
      {!run && outcome && <p className="muted small-text mt-1 mb-0">Last time {outcome}.</p>}
      {failure && (
        <p className="text-danger mb-0" role="alert">
          ✕ {failure}
        </p>
      )}
    </section>
  );
}
