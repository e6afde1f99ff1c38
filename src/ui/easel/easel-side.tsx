'use client';
import { useId } from 'react';
import { Button, Form } from 'react-bootstrap';
import { CHECKS, type Finding } from '@/core/checks';
import type { Adjustment, HandSubject, Placed } from '@/core/placement';
import { outputHeight, photoBox, pictureOf, scaleAt, type Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';
import type { PhotoFindings } from '../checks/photo-findings';
import type { History } from '../history/history';
import { useHistory } from '../history/use-history';
import type { BenchPhoto } from '../photos/in-slots';
import type { PhotoEdits } from '../photos/use-edits';
import { ChoiceField } from '../shared/choice-field';
import { CutoutCanvas } from '../shared/cutout-canvas';
import { NumberField } from '../shared/number-field';
import { WhatIs } from '../shared/what-is';
import { groundStyle, type Ground } from '../wall/ground-picker';
import { setGoesOn, useGoesOn } from './goes-on';
import type { Tool } from './use-easel-drag';
import type { Click } from './use-pointing';
import { FindingMark } from '../shared/finding-mark';

const CLICKS = { new: 'is the subject', more: 'adds', less: 'takes off' } as const;
const ABOUT_CLICKS: Readonly<Record<Click, string>> = {
  new: 'Click the subject, or drag a box around it: its outline is found.',
  more: 'Click what is missing. With Shift every click adds.',
  less: 'Click what does not belong to it. With Alt every click takes off.',
};

const sentence = ({ message, mend }: Finding) =>
  `${message.charAt(0).toUpperCase()}${message.slice(1)}. To mend it, ${mend}.`;

type EaselSideProps = {
  /** As it is for this photo. */
  readonly template: Template;
  readonly whole: Template;
  readonly photo: PhotoRow;
  /** The photo as it is shown, with what is in the hand, and all of its cutout. */
  readonly cutout: BenchPhoto;
  readonly placed: Placed;
  readonly adjustment: Adjustment;
  readonly findings: PhotoFindings;
  readonly edits: PhotoEdits;
  readonly history: History;
  readonly ground: Ground;
  readonly widest: number;
  readonly tool: Tool;
  readonly setTool: (tool: Tool) => void;
  readonly clicking: Click;
  readonly setClicking: (click: Click) => void;
  readonly pointingFailure: string | null;
  readonly before: boolean;
  readonly setBefore: (before: boolean) => void;
  readonly trueSize: boolean;
  readonly setTrueSize: (trueSize: boolean) => void;
  /** Brings the shape back to the middle; null where it is there. */
  readonly recentre: (() => void) | null;
  readonly keep: (words: string, next: Adjustment | null) => void;
  readonly setSubject: (subject: HandSubject | null) => void;
};

/** Beside the photo: its cutout, its findings with what mends them, its numbers. */
export function EaselSide({
  template,
  whole,
  photo,
  cutout,
  placed,
  adjustment,
  findings,
  edits,
  history,
  ground,
  widest,
  tool,
  setTool,
  clicking,
  setClicking,
  pointingFailure,
  before,
  setBefore,
  trueSize,
  setTrueSize,
  recentre,
  keep,
  setSubject,
}: EaselSideProps) {
  const { frame, centring } = template;
  const room = photoBox(template);
  const id = useId();
  const goesOn = useGoesOn();
  const { last, undo } = useHistory(history);
  const found = findings.byPhoto.get(photo.id) ?? [];
  const mendOf = (finding: Finding) => {
    const words = CHECKS.find(({ id }) => id === finding.check)?.repair?.words;
    const mend = words ? findings.mend(photo, finding.check) : null;
    return mend && words ? { words, change: { id: photo.id, ...mend } } : null;
  };
  return (
    <aside className="easel-side">
      <div
        className="d-flex gap-3 align-items-end mb-2 ground p-2 rounded"
        data-ground={ground}
        style={groundStyle(ground)}
      >
        {[196, 56].map((width) => (
          <CutoutCanvas
            key={width}
            template={whole}
            photo={cutout}
            cssWidth={width}
            atMost={widest}
            label={width === 196 ? `Cutout of ${photo.name}` : ''}
          />
        ))}
      </div>
      <p className="muted small-text">
        Photo {photo.width} × {photo.height}, cutout {widest} × {outputHeight(pictureOf(template), widest)} px, the
        photo at {Math.round(placed.scale * scaleAt(template, widest) * 100)} % of its size
        {placed.used !== 'none' && `; ${placed.used}`}
      </p>
      {found.length === 0 && <p className="mb-2">✓ No findings.</p>}
      <ul className="list-plain mb-2">
        {found.map((finding) => {
          const mend = mendOf(finding);
          return (
            <li key={finding.message}>
              <FindingMark />
              {sentence(finding)}
              {mend && (
                <Button
                  variant="plain"
                  className="d-block mt-1"
                  onClick={() => edits.apply(`${mend.words}: ${photo.name}`, [mend.change])}
                >
                  {mend.words.charAt(0).toUpperCase() + mend.words.slice(1)}
                </Button>
              )}
            </li>
          );
        })}
      </ul>
      <ChoiceField
        label="Drag"
        value={tool}
        options={{ photo: 'photo', shape: 'shape', both: 'both', subject: 'subject' }}
        onChange={setTool}
      />
      {tool === 'subject' && (
        <>
          <ChoiceField label="Click" value={clicking} options={CLICKS} onChange={setClicking} />
          <p className="muted small-text mb-1" role="status">
            {pointingFailure ?? ABOUT_CLICKS[clicking]}
          </p>
        </>
      )}
      {photo.handSubject && (
        <Button variant="quiet" onClick={() => setSubject(null)}>
          {'alike' in photo.handSubject ? 'Forget what was found like others' : 'Forget the subject by hand'}
        </Button>
      )}
      <div className="muted mt-2">
        Adjustment <WhatIs word="adjustment" />
      </div>
      <NumberField
        label="Across"
        value={adjustment.x * room.width}
        min={-1e6}
        max={1e6}
        unit={frame.unit}
        onChange={(v) => keep('moved', { ...adjustment, x: v / room.width })}
      />
      <NumberField
        label="Down"
        value={adjustment.y * room.height}
        min={-1e6}
        max={1e6}
        unit={frame.unit}
        onChange={(v) => keep('moved', { ...adjustment, y: v / room.height })}
      />
      <NumberField
        label="Scale"
        value={adjustment.scale * 100}
        min={1}
        max={10_000}
        unit="%"
        onChange={(v) => keep('scaled', { ...adjustment, scale: v / 100 })}
      />
      <NumberField
        label="Turned"
        value={adjustment.angle}
        min={-360}
        max={360}
        step={0.5}
        unit="°"
        onChange={(angle) => keep('turned', { ...adjustment, angle })}
      />
      <div className="d-flex flex-wrap">
        <Button variant="quiet" disabled={!photo.adjustment} onClick={() => keep('reset', null)}>
          Reset <kbd>0</kbd>
        </Button>
        <Button variant="quiet" aria-pressed={before} disabled={!photo.adjustment} onClick={() => setBefore(!before)}>
          {before ? 'Show as adjusted' : 'Show as before'} <kbd>B</kbd>
        </Button>
        {recentre && (
          <Button variant="quiet" onClick={recentre}>
            Back to the middle
          </Button>
        )}
        <Button variant="quiet" aria-pressed={trueSize} onClick={() => setTrueSize(!trueSize)}>
          {trueSize ? 'Under the shape' : 'True size'} <kbd>T</kbd>
        </Button>
        <Button variant="quiet" disabled={last === null} onClick={undo} title={last ?? undefined}>
          Undo
        </Button>
      </div>
      <Form.Check
        id={`${id}-on`}
        type="checkbox"
        className="mt-1"
        label="Go on to the next after “good”"
        checked={goesOn}
        onChange={(event) => setGoesOn(event.target.checked)}
      />
      {edits.error && (
        <p className="text-danger" role="alert">
          ✕ {edits.error}
        </p>
      )}
      <p className="muted small-text mt-2 mb-0">
        <span className="text-nowrap">
          <kbd>← ↑ → ↓</kbd> nudge,
        </span>{' '}
        <span className="text-nowrap">
          <kbd>+</kbd> <kbd>−</kbd> scale,
        </span>{' '}
        <span className="text-nowrap">
          <kbd>,</kbd> <kbd>.</kbd> turn,
        </span>{' '}
        <span className="text-nowrap">
          <kbd>N</kbd> <kbd>P</kbd> next and back,
        </span>{' '}
        <span className="text-nowrap">
          <kbd>G</kbd> good,
        </span>{' '}
        <span className="text-nowrap">
          <kbd>L</kbd> leave out.
        </span>{' '}
        {centring.rule === 'point' && 'This template goes by the point you set.'}
      </p>
    </aside>
  );
}
