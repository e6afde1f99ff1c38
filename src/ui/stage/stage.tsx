'use client';
import { useDeferredValue, useMemo, useRef, useState } from 'react';
import { Button } from 'react-bootstrap';
import { tooThin } from '@/core/checks';
import { type Guide, type Node } from '@/core/outline';
import { pathData, type Shape } from '@/core/shape';
import {
  pictureOf,
  slotsMoved,
  templateOutline,
  withShapeMoved,
  withSlotInHand,
  type Company,
  type Moves,
  type Template,
} from '@/core/template';
import type { PhotoRow } from '@/server/services';
import { useKeyNames } from '../keys/key-names';
import { ChoiceField } from '../shared/choice-field';
import { ONCE } from '../shapes/part-list';
import type { TemplateStore } from '../template/store';
import { groundStyle, type Ground } from '../wall/ground-picker';
import { usePainter } from '../wall/use-painter';
import { Drawing } from './drawing';
import { editedOf } from './edited';
import { LayerHandles } from './layer-handles';
import { OtherSlots, outlinesBeside } from './other-slots';
import { PinHandles } from './pin-handles';
import { PinTools } from './pin-tools';
import { bendsIn } from './pins';
import { PointHandles, shapeOfNodes } from './point-handles';
import { ReferenceControls } from './reference-controls';
import { mostDifferent, SampleStrip } from './sample-strip';
import { ShapeHandles } from './shape-handles';
import { setStage, useStage, type StageMode } from './stage-state';
import { useStagePinch } from './use-stage-pinch';
import { useView, type View } from './view';

/** While something is dragged the large picture is drawn at this share of its pixels, and in full once it is let go. */
const COARSE = 0.5;

/** Widest picture that is drawn on the stage, pixels. */
const WIDEST = 1100;

const HELP: Readonly<Record<StageMode, string>> = {
  shape: 'Shift keeps proportions, Alt grows from the middle, Ctrl lets go of the guides.',
  pins: 'Click to put a pin, drag it; what others hold stays.',
  points: 'Drag points. Double-click the outline to add one, Delete takes one out.',
  draw: 'Click for a corner, drag for a curve, click the first point to close. Esc leaves.',
};

function Guides({ guides, view, frame }: { guides: readonly Guide[]; view: View; frame: Template['frame'] }) {
  return guides.map(({ axis, at }) => {
    const [w, h] = [frame.width * view.k, frame.height * view.k];
    const place = axis === 'x' ? view.x + at * view.k : view.y + at * view.k;
    const line =
      axis === 'x'
        ? { x1: place, x2: place, y1: view.y - 20, y2: view.y + h + 20 }
        : { y1: place, y2: place, x1: view.x - 20, x2: view.x + w + 20 };
    return <line key={axis} className="stage-guide" data-axis={axis} {...line} />;
  });
}

/** Points at the place where the shape is too thin for its border or feather. */
function ThinPlace({ template, view }: { readonly template: Template; readonly view: View }) {
  const thin = useMemo(() => tooThin(template), [template]);
  if (!thin || thin.short <= 0) return null;
  const { at, what, width } = thin;
  const radius = Math.max(10, (width * view.k) / 2 + 6);
  return (
    <g
      className="stage-thin"
      role="img"
      aria-label={`Too thin for the ${what}`}
      transform={`translate(${view.x + at[0] * view.k} ${view.y + at[1] * view.k})`}
    >
      <circle r={radius} />
      <text y={-radius - 6}>too thin for the {what}</text>
    </g>
  );
}

/** A drawn outline takes the shape's place; in a combined shape it is one more part. */
function withDrawn(whole: Shape, drawn: Shape): Shape {
  if (whole.kind !== 'combined') return drawn;
  return { ...whole, parts: [...whole.parts, { op: 'add', off: false, repeat: ONCE, shape: drawn }] };
}

type StageProps = {
  readonly template: Template;
  /** The slot in hand; null where there are none. */
  readonly slot: number | null;
  /** Of that slot. */
  readonly store: TemplateStore;
  readonly photos: readonly PhotoRow[];
  readonly ground: Ground;
};

/** Which slots go with the one that is moved. */
const MOVED_WITHOUT_SETS = { one: 'this slot', all: 'all together' } as Record<Company, string>;
const MOVED: Readonly<Record<Company, string>> = { one: 'this slot', set: 'its set', all: 'all together' };

/** What a drag of the shape moves, as on the easel. */
const MOVES: Readonly<Record<Moves, string>> = { both: 'both', shape: 'shape', photo: 'photo' };

/** The template at work on one photo, with the shape in the hand; sample photos below follow. */
export function Stage({ template: whole, slot, store, photos, ground }: StageProps) {
  const template = useMemo(() => withSlotInHand(whole, slot), [whole, slot]);
  const { mode, part, locked, layer, reference, strength, company, moves, ...stage } = useStage();
  const bends = bendsIn(template, stage.bends);
  const { frame, shape } = template;
  const { ref, view, drawn, room, pointAt } = useView(pictureOf(template));
  const keyNames = useKeyNames();
  const [guides, setGuides] = useState<readonly Guide[]>([]);
  const samples = useMemo(() => mostDifferent(photos), [photos]);
  const [place, setPlace] = useState(0);
  const photo = samples[Math.min(place, samples.length - 1)];
  const shown = useMemo(() => (photo ? [photo] : []), [photo]);
  const [dragging, setDragging] = useState(false);
  const full = Math.min(WIDEST, drawn);
  const width = dragging ? Math.round(full * COARSE) : full;
  const { register, errors } = usePainter(whole, width, shown);
  const settled = useDeferredValue(template);
  const edited = useMemo(() => editedOf(shape, part), [shape, part]);
  const tracing = mode === 'points' || mode === 'draw';
  // Slots are laid out over a picture of the page that they are for.
  const isLaid = slot !== null && reference.kind === 'picture';
  /** The template as it was when what is dragged was taken up. */
  const begun = useRef<Template | null>(null);
  const canHavePoints = edited.shape.kind === 'path';
  const hasSet = slot !== null && whole.slots[slot]!.set !== null;
  const set = (next: Shape) => {
    const all = edited.whole(next);
    if (!all) return;
    const { cx, cy } = shape.box;
    const [dx, dy] = [all.box.cx - cx, all.box.cy - cy];
    const from = begun.current ?? template;
    store.change((t) => ({
      ...withShapeMoved(t, from, all, moves),
      slots: slot === null || moves === 'photo' ? t.slots : slotsMoved(t, slot, company, [dx, dy]),
    }));
  };
  const drag = (active: boolean) => {
    begun.current = active ? template : null;
    store.drag(active);
    setDragging(active);
  };
  const { bind, isHeld } = useStagePinch(edited.shape, set, drag);
  const closed = (nodes: readonly Node[]) => {
    const drawn = shapeOfNodes([nodes], frame, 'nonzero');
    if (drawn) store.change((t) => ({ ...t, shape: withDrawn(t.shape, drawn) }));
    setStage({ mode: drawn && shape.kind !== 'combined' ? 'points' : 'shape' });
  };
  const fw = frame.width * view.k;
  const fh = frame.height * view.k;
  // Whole and in the middle, wherever the shape is: what is traced must not move while it is traced.
  const href =
    reference.kind === 'picture'
      ? reference.url
      : reference.kind === 'photo' && photo
        ? `/api/photos/${photo.sha256}/proxy/2048`
        : null;
  const others = useMemo(() => outlinesBeside(whole, slot), [whole, slot]);
  const common = { edited, frame, view, pointAt, onShape: set, onDrag: drag, onGuides: setGuides };
  return (
    <div className="stage">
      <div className="stage-bar">
        <ChoiceField
          label="On the stage"
          bare
          value={mode}
          options={
            canHavePoints || mode === 'points'
              ? { shape: 'shape', pins: 'bend', points: 'points', draw: 'draw' }
              : ({ shape: 'shape', pins: 'bend', draw: 'draw' } as Record<StageMode, string>)
          }
          onChange={(next) => setStage({ mode: next })}
        />
        {tracing && <ReferenceControls hasPhoto={photo !== undefined} label="Trace over" />}
        {!tracing && slot !== null && <ReferenceControls hasPhoto={false} label="Lay out over" />}
        {mode === 'pins' && <PinTools template={template} store={store} bends={bends} />}
        {mode === 'shape' && (
          <>
            <span className="muted small-text" aria-hidden>
              Drag
            </span>
            <ChoiceField
              label="Drag"
              bare
              value={moves}
              options={MOVES}
              onChange={(next) => setStage({ moves: next })}
            />
          </>
        )}
        {slot !== null && mode === 'shape' && (
          <ChoiceField
            label="Moved"
            bare
            value={hasSet || company !== 'set' ? company : 'one'}
            options={hasSet ? MOVED : MOVED_WITHOUT_SETS}
            onChange={(next) => setStage({ company: next })}
          />
        )}
        {part !== null && shape.kind === 'combined' && (
          <Button variant="quiet" onClick={() => setStage({ part: null })}>
            Part {part + 1} in hand: take the whole
          </Button>
        )}
        {(tracing || slot === null) && <span className="muted small-text hint">{keyNames(HELP[mode])}</span>}
      </div>
      <div ref={ref} className="stage-room" data-mode={mode} {...(mode === 'shape' ? bind() : {})}>
        <div className="stage-frame ground" data-ground={ground} style={{ ...room, ...groundStyle(ground) }} />
        {photo && (
          <canvas
            ref={register(photo.id)}
            className="stage-cutout"
            data-photo={photo.id}
            data-picture={photo.sha256}
            width={1}
            height={1}
            style={{ ...room, opacity: tracing && href ? 0.25 : 1 }}
            role="img"
            aria-label={`Cutout of ${photo.name}`}
          />
        )}
        <svg className="stage-svg" width={view.width} height={view.height}>
          {(tracing || isLaid) && href && (
            <image href={href} x={view.x} y={view.y} width={fw} height={fh} opacity={strength} />
          )}
          {!photo && !tracing && (
            <path
              className="stage-blank"
              d={pathData(templateOutline(template), 3)}
              transform={`matrix(${view.k} 0 0 ${view.k} ${view.x} ${view.y})`}
            />
          )}
          <rect className="stage-edge" x={view.x} y={view.y} width={fw} height={fh} />
          {view.k > 0 && slot !== null && <OtherSlots template={whole} slot={slot} view={view} />}
          {view.k > 0 && mode === 'pins' && (
            <PinHandles template={template} store={store} bends={bends} view={view} pointAt={pointAt} onDrag={drag} />
          )}
          {view.k > 0 && mode === 'shape' && (
            <ShapeHandles {...common} others={others} locked={locked} isHeld={isHeld} />
          )}
          {view.k > 0 && mode === 'shape' && layer && (
            <LayerHandles template={template} store={store} view={view} held={layer} pointAt={pointAt} onDrag={drag} />
          )}
          {view.k > 0 && mode === 'points' && canHavePoints && <PointHandles key={part ?? -1} {...common} />}
          {view.k > 0 && mode === 'draw' && (
            <Drawing
              frame={frame}
              view={view}
              pointAt={pointAt}
              onGuides={setGuides}
              onClosed={closed}
              onCancel={() => setStage({ mode: 'shape' })}
            />
          )}
          {view.k > 0 && mode === 'shape' && !dragging && <ThinPlace template={settled} view={view} />}
          <Guides guides={guides} view={view} frame={frame} />
        </svg>
        {photo && errors.get(photo.id) && <p className="stage-error">{errors.get(photo.id)}</p>}
      </div>
      {samples.length > 0 && (
        <SampleStrip
          template={whole}
          samples={samples}
          chosen={Math.min(place, samples.length - 1)}
          onChoose={setPlace}
        />
      )}
    </div>
  );
}
