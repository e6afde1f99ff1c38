'use client';
import { Button } from 'react-bootstrap';
import { CHECKS, isToLookAt } from '@/core/checks';
import type { Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';
import { NotChecked } from '../checks/not-checked';
import type { PhotoFindings } from '../checks/photo-findings';
import { CutoutCanvas } from '../shared/cutout-canvas';
import { amount, plural } from '../shared/words';
import { FindingMark } from '../shared/finding-mark';

/** Cutouts that are shown of all that are doubtful. */
const SHOWN = 4;
const WIDTH = 56;

/** Checks that are named; the others are counted. */
const NAMED = 2;

/** The checks that most photos fail, with how many do. */
function doubts(photos: readonly PhotoRow[], { byPhoto }: PhotoFindings): string {
  const counts = new Map<string, number>();
  for (const { id } of photos)
    for (const check of new Set(byPhoto.get(id)?.map((finding) => finding.check)))
      counts.set(check, (counts.get(check) ?? 0) + 1);
  const failed = CHECKS.filter(({ id }) => counts.has(id)).sort((a, b) => counts.get(b.id)! - counts.get(a.id)!);
  const named = failed.slice(0, NAMED).map(({ id, label }) => `${label.toLowerCase()} (${amount(counts.get(id)!)})`);
  const more = failed.length - named.length;
  return [...named, ...(more > 0 ? [`${plural(more, 'more reason')}`] : [])].join(', ');
}

type DoubtfulProps = {
  readonly template: Template;
  readonly photos: readonly PhotoRow[];
  readonly findings: PhotoFindings;
  /** Narrows the wall to them. */
  readonly onLook: () => void;
  readonly onLeaveOut: (ids: readonly number[]) => void;
};

/** Before an export: what somebody should have looked at, and what can be done with it. */
export function Doubtful({ template, photos, findings, onLook, onLeaveOut }: DoubtfulProps) {
  const doubtful = photos.filter(({ id, review }) => isToLookAt(review, findings.byPhoto.has(id)));
  if (findings.fault) return <NotChecked fault={findings.fault} />;
  if (doubtful.length === 0) return null;
  return (
    <section aria-label="Doubtful photos">
      <p className="small-text mb-1">
        <FindingMark />
        <strong>{plural(doubtful.length, 'photo')} to look at</strong>
        <span className="muted">: {doubts(doubtful, findings)}</span>
      </p>
      <div className="d-flex gap-1 align-items-center mb-1">
        {doubtful.slice(0, SHOWN).map((photo) => (
          <CutoutCanvas key={photo.id} template={template} photo={photo} cssWidth={WIDTH} label={photo.name} />
        ))}
        {doubtful.length > SHOWN && <span className="muted small-text">+{amount(doubtful.length - SHOWN)}</span>}
      </div>
      <Button variant="quiet" onClick={onLook}>
        Look at {doubtful.length === 1 ? 'it' : 'them'}
      </Button>
      <Button variant="quiet" onClick={() => onLeaveOut(doubtful.map(({ id }) => id))}>
        Leave {doubtful.length === 1 ? 'it' : 'them'} out
      </Button>
    </section>
  );
}
