'use client';
import { useDrag } from '@use-gesture/react';
import { useEffect, useEffectEvent, useMemo, useRef, useState } from 'react';
import { Button, Modal } from 'react-bootstrap';
import { CHECKS, type Finding } from '@/core/checks';
import { inPhoto, placer, spotOf, UNADJUSTED, type Adjustment, type HandSubject } from '@/core/placement';
import { boundsOfOutline, pathData } from '@/core/shape';
import { rimOfMask } from '@/core/sight';
import { outputHeight, templateOutline, type Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';
import type { PhotoFindings } from '../checks/use-findings';
import type { PhotoEdits } from '../photos/use-edits';
import { ChoiceField } from '../shared/choice-field';
import { CutoutCanvas } from '../shared/cutout-canvas';
import { NumberField } from '../shared/number-field';
import { groundStyle, type Ground } from '../wall/ground-picker';

/** Room shown around the frame, as a share of its longer side. */
const AROUND = 0.3;
/** The subject catches on the spot within this share of the frame. */
const REACH = 0.008;

const REVIEW = { open: 'to look at', good: 'good', out: 'left out' } as const;
/** What a drag moves: the photo under the shape, the shape over the photo, both over the room, or a box around the subject. */
type Tool = 'photo' | 'shape' | 'both' | 'subject';
type Grasp = { readonly from: Adjustment; readonly pan: readonly [number, number]; readonly k: number };
/** Proxies have 2048 pixels: wider cutouts are shown smaller. */
const TRUE_LIMIT = 1600;

type EaselProps = {
  readonly template: Template;
  readonly photos: readonly PhotoRow[];
  readonly place: number;
  readonly findings: PhotoFindings;
  readonly edits: PhotoEdits;
  readonly ground: Ground;
  readonly onPlace: (place: number) => void;
  readonly onHide: () => void;
};

const sentence = ({ message, mend }: Finding) =>
  `${message.charAt(0).toUpperCase()}${message.slice(1)}. To mend it, ${mend}.`;

/** The found subject's rim as SVG points, in pixels of the photo. */
function rimPoints({ sight, width, height }: PhotoRow): string {
  const { box, mask } = sight!.subject!;
  return rimOfMask(mask ?? '')
    .map(([x, y]) => `${(box[0] + x * box[2]) * width},${(box[1] + y * box[3]) * height}`)
    .join(' ');
}

/** One photo: placed under its shape by hand, its findings mended, its subject pointed at. */
export function Easel({ template, photos, place, findings, edits, ground, onPlace, onHide }: EaselProps) {
  const photo = photos[place]!;
  const { frame, shape, centring } = template;
  const [draft, setDraft] = useState<{ readonly id: number; readonly adjustment: Adjustment } | null>(null);
  const [tool, setTool] = useState<Tool>('photo');
  const [boxing, setBoxing] = useState<readonly [number, number, number, number] | null>(null);
  const [before, setBefore] = useState(false);
  const [guide, setGuide] = useState(false);
  const [pan, setPan] = useState<readonly [number, number]>([0, 0]);
  const [trueSize, setTrueSize] = useState(false);
  const room = useRef<SVGSVGElement>(null);
  const saved = photo.adjustment ?? UNADJUSTED;
  const adjustment = draft?.id === photo.id ? draft.adjustment : saved;
  const shown = useMemo(() => ({ ...photo, adjustment: before ? null : adjustment }), [photo, adjustment, before]);
  const puts = useMemo(() => placer(template), [template]);
  const placed = puts(shown);
  const outline = useMemo(() => templateOutline(template), [template]);
  const margin = AROUND * Math.max(frame.width, frame.height);
  const view = [-margin - pan[0], -margin - pan[1], frame.width + 2 * margin, frame.height + 2 * margin] as const;
  const spot = spotOf(template);

  const keep = (words: string, next: Adjustment | null) => {
    setDraft(null);
    const same = JSON.stringify(next ?? UNADJUSTED) === JSON.stringify(saved);
    if (!same) edits.apply(`${words} ${photo.name}`, [{ id: photo.id, adjustment: next }]);
  };
  const moved = (from: Adjustment, dx: number, dy: number): Adjustment => ({
    ...from,
    x: from.x + dx / shape.box.width,
    y: from.y + dy / shape.box.height,
  });
  const scaled = (from: Adjustment, k: number): Adjustment => ({
    ...from,
    scale: Math.min(100, Math.max(0.01, from.scale * k)),
    x: from.x * k,
    y: from.y * k,
  });
  /** Scaled about a place of the frame, which stays over the same pixel of the photo. */
  const scaledAt = (from: Adjustment, k: number, [fx, fy]: readonly [number, number]): Adjustment => {
    const grown = scaled(from, k);
    return moved(grown, (fx - spot[0]) * (1 - k), (fy - spot[1]) * (1 - k));
  };
  const pointAt = ([clientX, clientY]: readonly [number, number]): readonly [number, number] => {
    const matrix = room.current!.getScreenCTM()!.inverse();
    const { x, y } = new DOMPoint(clientX, clientY).matrixTransform(matrix);
    return [x, y];
  };

  const setSubject = (handSubject: HandSubject | null) =>
    edits.apply(`subject of ${photo.name}`, [{ id: photo.id, handSubject }]);
  const share = (at: readonly [number, number]) => {
    const [px, py] = inPhoto(placed, photo, at);
    return [px / photo.width, py / photo.height] as const;
  };

  const bind = useDrag(
    ({ xy, initial, first, last, memo, ctrlKey }) => {
      // What is dragged is measured by the screen: the room itself may move meanwhile.
      const grasp: Grasp = (memo as Grasp | undefined) ?? { from: adjustment, pan, k: room.current!.getScreenCTM()!.a };
      const { from } = grasp;
      const [wx, wy] = [(xy[0] - initial[0]) / grasp.k, (xy[1] - initial[1]) / grasp.k];
      if (tool === 'both') {
        setPan([grasp.pan[0] + wx, grasp.pan[1] + wy]);
        return grasp;
      }
      if (tool === 'subject') {
        const [[ax, ay], [bx, by]] = [share(pointAt(initial)), share(pointAt(xy))];
        const box = [Math.min(ax, bx), Math.min(ay, by), Math.abs(bx - ax), Math.abs(by - ay)] as const;
        const isClick = Math.hypot(xy[0] - initial[0], xy[1] - initial[1]) < 5;
        setBoxing(isClick || last ? null : box);
        if (last) setSubject(isClick ? { point: [ax, ay] } : { box: [...box] });
        return grasp;
      }
      // The shape moved one way over a photo that stays is the photo moved the other way under it.
      const way = tool === 'shape' ? -1 : 1;
      let next = moved(from, way * wx, way * wy);
      if (tool === 'shape') setPan(last ? grasp.pan : [grasp.pan[0] + wx, grasp.pan[1] + wy]);
      // The subject's centre (or the photo's) is caught by the spot.
      const seen = puts({ ...photo, adjustment: next });
      const [cx, cy] = seen.subject ? [seen.subject.x, seen.subject.y] : [seen.x, seen.y];
      const reach = REACH * Math.max(frame.width, frame.height);
      const [dx, dy] = [
        Math.abs(cx - spot[0]) < reach ? spot[0] - cx : 0,
        Math.abs(cy - spot[1]) < reach ? spot[1] - cy : 0,
      ];
      if (!ctrlKey) next = moved(next, dx, dy);
      setGuide(!last && !ctrlKey && (dx !== 0 || dy !== 0));
      if (first) setBefore(false);
      if (last) keep('moved', next);
      else setDraft({ id: photo.id, adjustment: next });
      return grasp;
    },
    { pointer: { keys: false } },
  );

  const go = (by: number) => {
    if (draft) keep('moved', draft.adjustment);
    onPlace(Math.min(Math.max(place + by, 0), photos.length - 1));
  };
  const review = (state: PhotoRow['review']) =>
    edits.apply(`${REVIEW[state]}: ${photo.name}`, [{ id: photo.id, review: state }]);
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (event.target instanceof HTMLInputElement || event.target instanceof HTMLSelectElement) return;
    if ((event.target as HTMLElement).closest?.('[role=radiogroup]') && event.key.startsWith('Arrow')) return;
    if (event.ctrlKey || event.metaKey) {
      if (event.key.toLowerCase() === 'z') {
        event.preventDefault();
        edits.undo();
      }
      return;
    }
    const by = event.shiftKey ? 10 : 1;
    const arrows: Readonly<Record<string, readonly [number, number]>> = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, -by],
      ArrowDown: [0, by],
    };
    const arrow = arrows[event.key];
    if (arrow) keep('nudged', moved(adjustment, ...arrow));
    else if (event.key === '+' || event.key === '=') keep('scaled', scaled(adjustment, 1.02));
    else if (event.key === '-') keep('scaled', scaled(adjustment, 1 / 1.02));
    else if (event.key === ',' || event.key === '.')
      keep('turned', { ...adjustment, angle: adjustment.angle + (event.key === '.' ? 0.5 : -0.5) });
    else if (event.key === 'PageDown' || event.key === 'n') go(1);
    else if (event.key === 'PageUp' || event.key === 'p') go(-1);
    else if (event.key === 'g') review('good');
    else if (event.key === 'x') review('out');
    else if (event.key === 'o') review('open');
    else if (event.key === 'b') setBefore(!before);
    else if (event.key === 't') setTrueSize(!trueSize);
    else if (event.key === '0') keep('reset', null);
    else return;
    event.preventDefault();
  });
  useEffect(() => {
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, []);
  // React listens to wheels passively; here the page must not scroll.
  const onWheel = useEffectEvent((event: WheelEvent) => {
    event.preventDefault();
    keep('scaled', scaledAt(adjustment, Math.exp(-event.deltaY * 0.001), pointAt([event.clientX, event.clientY])));
  });
  useEffect(() => {
    const element = room.current;
    element?.addEventListener('wheel', onWheel, { passive: false });
    return () => element?.removeEventListener('wheel', onWheel);
  }, [trueSize]);

  const found = findings.byPhoto.get(photo.id) ?? [];
  const mendOf = (finding: Finding) => {
    const words = CHECKS.find(({ id }) => id === finding.check)?.repair?.words;
    const mend = words ? findings.mend(photo, finding.check) : null;
    return mend && words ? { words, change: { id: photo.id, ...mend } } : null;
  };
  const d = pathData(outline, 3);
  const [l, t, r, b] = boundsOfOutline(outline);
  const widest = Math.max(...template.outputs.map((output) => output.width));
  const subjectBox =
    boxing ?? (photo.handSubject && 'box' in photo.handSubject ? photo.handSubject.box : photo.sight?.subject?.box);
  const transform = `translate(${placed.x} ${placed.y}) rotate(${placed.angle}) scale(${placed.scale * (placed.mirror ? -1 : 1)} ${placed.scale}) translate(${-photo.width / 2} ${-photo.height / 2})`;
  return (
    <Modal show fullscreen onHide={onHide} aria-labelledby="easel-title" className="easel-modal">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="easel-title" className="name-line">
          {photo.name}
        </Modal.Title>
        <span className="muted ms-3 text-nowrap">
          {place + 1} of {photos.length}
        </span>
        <div className="ms-auto d-flex gap-2 align-items-center">
          <ChoiceField label="Review" bare value={photo.review} options={REVIEW} onChange={review} />
          <Button variant="plain" disabled={place === 0} onClick={() => go(-1)}>
            Back
          </Button>
          <Button variant="plain" disabled={place === photos.length - 1} onClick={() => go(1)}>
            Next
          </Button>
        </div>
      </Modal.Header>
      <Modal.Body className="easel">
        <div className="easel-room">
          {trueSize ? (
            <div className="easel-true ground" data-ground={ground} style={groundStyle(ground)}>
              <CutoutCanvas
                template={template}
                photo={shown}
                width={Math.min(widest, TRUE_LIMIT)}
                cssWidth={Math.min(widest, TRUE_LIMIT)}
                label={`Cutout of ${photo.name} in its true size`}
              />
            </div>
          ) : (
            <svg
              ref={room}
              {...bind()}
              viewBox={view.join(' ')}
              className="easel-svg"
              data-tool={tool}
              role="img"
              aria-label={`${photo.name} under the shape. Drag it, scroll to scale, arrow keys nudge by 1, with shift by 10.`}
            >
              <defs>
                <mask id="easel-mask">
                  <rect x={view[0]} y={view[1]} width={view[2]} height={view[3]} fill="#fff" />
                  <path d={d} fill="#000" />
                </mask>
              </defs>
              <image
                href={`/api/photos/${photo.id}/proxy/2048`}
                width={photo.width}
                height={photo.height}
                preserveAspectRatio="none"
                transform={transform}
              />
              <rect
                x={view[0]}
                y={view[1]}
                width={view[2]}
                height={view[3]}
                className="easel-dim"
                mask="url(#easel-mask)"
              />
              <path d={d} className="easel-outline" />
              <rect x={0} y={0} width={frame.width} height={frame.height} className="easel-frame" />
              <g className={guide ? 'easel-spot is-caught' : 'easel-spot'}>
                <path d={`M${spot[0]} ${t}V${b}M${l} ${spot[1]}H${r}`} />
              </g>
              {subjectBox && (
                <rect
                  className="easel-subject"
                  x={subjectBox[0] * photo.width}
                  y={subjectBox[1] * photo.height}
                  width={subjectBox[2] * photo.width}
                  height={subjectBox[3] * photo.height}
                  transform={transform}
                />
              )}
              {photo.sight?.subject && !photo.handSubject && (
                <polygon className="easel-subject" points={rimPoints(photo)} transform={transform} />
              )}
              {photo.sight?.faces.map(({ eyes }, i) => (
                <g key={i} transform={transform} className="easel-eyes">
                  {eyes.map(([ex, ey], k) => (
                    <circle key={k} cx={ex * photo.width} cy={ey * photo.height} r={6 / placed.scale} />
                  ))}
                </g>
              ))}
              {placed.subject && (
                <circle className="easel-dot" cx={placed.subject.x} cy={placed.subject.y} r={0.006 * view[2]} />
              )}
            </svg>
          )}
        </div>
        <aside className="easel-side">
          <div
            className="d-flex gap-3 align-items-end mb-2 ground p-2 rounded"
            data-ground={ground}
            style={groundStyle(ground)}
          >
            {[196, 56].map((width) => (
              <CutoutCanvas
                key={width}
                template={template}
                photo={shown}
                width={Math.min(width * 2, widest)}
                cssWidth={width}
                label={width === 196 ? `Cutout of ${photo.name}` : ''}
              />
            ))}
          </div>
          <p className="muted small-text">
            Photo {photo.width} × {photo.height}, cutout {widest} × {outputHeight(frame, widest)} px, the photo at{' '}
            {Math.round(placed.scale * (widest / frame.width) * 100)} % of its size
            {placed.used !== 'none' && `; ${placed.used}`}
          </p>
          {found.length === 0 && <p className="mb-2">✓ No findings.</p>}
          <ul className="list-plain mb-2">
            {found.map((finding) => {
              const mend = mendOf(finding);
              return (
                <li key={finding.message}>
                  <span className="finding-mark" aria-hidden>
                    ▲{' '}
                  </span>
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
            <p className="muted small-text mb-1">Drag a box around the subject, or click its centre.</p>
          )}
          {photo.handSubject && (
            <Button variant="quiet" onClick={() => setSubject(null)}>
              Forget the subject by hand
            </Button>
          )}
          <NumberField
            label="Across"
            value={adjustment.x * shape.box.width}
            min={-1e6}
            max={1e6}
            unit={frame.unit}
            onChange={(v) => keep('moved', { ...adjustment, x: v / shape.box.width })}
          />
          <NumberField
            label="Down"
            value={adjustment.y * shape.box.height}
            min={-1e6}
            max={1e6}
            unit={frame.unit}
            onChange={(v) => keep('moved', { ...adjustment, y: v / shape.box.height })}
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
            <Button
              variant="quiet"
              aria-pressed={before}
              disabled={!photo.adjustment}
              onClick={() => setBefore(!before)}
            >
              {before ? 'Show as adjusted' : 'Show as before'} <kbd>B</kbd>
            </Button>
            {(pan[0] !== 0 || pan[1] !== 0) && (
              <Button variant="quiet" onClick={() => setPan([0, 0])}>
                Back to the middle
              </Button>
            )}
            <Button variant="quiet" aria-pressed={trueSize} onClick={() => setTrueSize(!trueSize)}>
              {trueSize ? 'Under the shape' : 'True size'} <kbd>T</kbd>
            </Button>
            <Button variant="quiet" disabled={edits.last === null} onClick={edits.undo} title={edits.last ?? undefined}>
              Undo
            </Button>
          </div>
          {edits.error && (
            <p className="text-danger" role="alert">
              ✕ {edits.error}
            </p>
          )}
          <p className="muted small-text mt-2 mb-0">
            <kbd>← ↑ → ↓</kbd> nudge, <kbd>+</kbd> <kbd>−</kbd> scale, <kbd>,</kbd> <kbd>.</kbd> turn, <kbd>N</kbd>{' '}
            <kbd>P</kbd> next and back, <kbd>G</kbd> good, <kbd>X</kbd> leave out.{' '}
            {centring.rule === 'point' && 'This template goes by the point you set.'}
          </p>
        </aside>
      </Modal.Body>
    </Modal>
  );
}
