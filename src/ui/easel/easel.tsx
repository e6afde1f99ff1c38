'use client';
import { useMemo, useRef, useState } from 'react';
import { Button, Modal } from 'react-bootstrap';
import { placer, seenAgain, spotOf, type HandSubject } from '@/core/placement';
import { photoOutline, slotTemplate, type Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';
import type { PhotoFindings } from '../checks/photo-findings';
import type { History } from '../history/history';
import { inItsGroup, type BenchPhoto } from '../photos/in-slots';
import type { PhotoEdits } from '../photos/use-edits';
import { ChoiceField } from '../shared/choice-field';
import { CutoutCanvas } from '../shared/cutout-canvas';
import { MiddleName } from '../shared/middle-name';
import { useDensity } from '../shared/pixels';
import { Spoken } from '../shared/say';
import { WhatIs } from '../shared/what-is';
import { useEaselWords } from './use-easel-words';
import { groundStyle, type Ground } from '../wall/ground-picker';
import { EaselRoom } from './easel-room';
import { goesOnNow } from './goes-on';
import { EaselSide } from './easel-side';
import { useAdjusting } from './use-adjusting';
import { useEaselDrag, type Tool } from './use-easel-drag';
import { useEaselKeys } from './use-easel-keys';
import { usePointing, type Click } from './use-pointing';

/** Room shown around the frame, as a share of its longer side. */
const AROUND = 0.3;
/** Proxies have 2048 pixels: wider cutouts are shown smaller. */
const TRUE_LIMIT = 1600;
const REVIEW = { open: 'to look at', good: 'good', out: 'left out' } as const;

type EaselProps = {
  readonly template: Template;
  readonly photos: readonly BenchPhoto[];
  readonly place: number;
  readonly findings: PhotoFindings;
  readonly edits: PhotoEdits;
  readonly history: History;
  readonly ground: Ground;
  readonly onPlace: (place: number) => void;
  readonly onHide: () => void;
};

/** One photo: placed under its shape by hand, its findings mended, its subject pointed at. */
export function Easel({
  template: whole,
  photos,
  place,
  findings,
  edits,
  history,
  ground,
  onPlace,
  onHide,
}: EaselProps) {
  const photo = photos[place]!;
  const slot = photo.slot ?? 0;
  const template = slotTemplate(whole, slot);
  const { frame } = template;
  const [tool, setTool] = useState<Tool>('photo');
  const [clicking, setClicking] = useState<Click>('new');
  const [before, setBefore] = useState(false);
  const [trueSize, setTrueSize] = useState(false);
  const room = useRef<SVGSVGElement>(null);
  const { adjustment, now, keep, letGo, hold, holdAWhile } = useAdjusting(photo, edits);
  const shown = useMemo(() => ({ ...photo, adjustment: before ? null : adjustment }), [photo, adjustment, before]);
  const puts = useMemo(() => placer(template), [template]);
  const outline = useMemo(() => photoOutline(template), [template]);
  const placed = puts(shown);
  const cutout = useMemo(() => inItsGroup(shown, photos), [shown, photos]);
  const spot = spotOf(template);
  const isApart = findings.byPhoto.get(photo.id)?.some(({ check }) => check === 'apart');
  const again = isApart ? seenAgain(photo, placed, template) : null;

  const setSubject = (handSubject: HandSubject | null) =>
    edits.apply(`subject of ${photo.name}`, [{ id: photo.id, handSubject }]);
  const pointing = usePointing(photo, photos[place + 1], tool === 'subject', setSubject);
  const review = (state: PhotoRow['review']) => {
    edits.apply(`${REVIEW[state]}: ${photo.name}`, [{ id: photo.id, review: state }]);
    if (state === 'good' && goesOnNow()) go(1);
  };
  const go = (by: number) => {
    letGo();
    onPlace(Math.min(Math.max(place + by, 0), photos.length - 1));
  };
  const { bind, boxing, caught, pan, recentre } = useEaselDrag({
    room,
    template,
    photo,
    place: puts,
    placed,
    spot,
    tool,
    now,
    keep,
    hold,
    holdAWhile,
    onClick: (at, { shiftKey, altKey }) => pointing.click(at, shiftKey ? 'more' : altKey ? 'less' : clicking),
    onBox: pointing.box,
    onBegin: () => setBefore(false),
  });
  useEaselWords({ photo, place, count: photos.length, adjustment, found: findings.byPhoto.get(photo.id), template });
  useEaselKeys({
    template,
    now,
    keep,
    go,
    review,
    undo: history.undo,
    redo: history.redo,
    toggleBefore: () => setBefore(!before),
    toggleTrueSize: () => setTrueSize(!trueSize),
    toggleSubject: () => setTool(tool === 'subject' ? 'photo' : 'subject'),
  });

  const margin = AROUND * Math.max(frame.width, frame.height);
  const view = [-margin - pan[0], -margin - pan[1], frame.width + 2 * margin, frame.height + 2 * margin] as const;
  const widest = Math.max(...template.outputs.map((output) => output.width));
  const trueWidth = Math.min(widest, TRUE_LIMIT);
  const density = useDensity();
  return (
    <Modal show fullscreen onHide={onHide} aria-labelledby="easel-title" className="easel-modal">
      <Spoken />
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="easel-title" className="name-line">
          <MiddleName name={photo.name} />
        </Modal.Title>
        <span className="muted ms-3 text-nowrap">
          {whole.slots[slot] && `${whole.slots[slot].name}, `}
          {place + 1} of {photos.length} <WhatIs word="easel" />
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
                template={whole}
                photo={cutout}
                cssWidth={trueWidth / density}
                label={`Cutout of ${photo.name} in its true size`}
              />
            </div>
          ) : (
            <EaselRoom
              ref={room}
              template={template}
              outline={outline}
              photo={photo}
              placed={placed}
              spot={spot}
              view={view}
              tool={tool}
              caught={caught}
              boxing={boxing}
              again={again && again !== 'unseen' ? again.box : null}
              handlers={bind()}
            />
          )}
        </div>
        <EaselSide
          template={template}
          whole={whole}
          photo={photo}
          cutout={cutout}
          placed={placed}
          adjustment={adjustment}
          findings={findings}
          edits={edits}
          history={history}
          ground={ground}
          widest={widest}
          tool={tool}
          setTool={setTool}
          clicking={clicking}
          setClicking={setClicking}
          pointingFailure={pointing.failure}
          before={before}
          setBefore={setBefore}
          trueSize={trueSize}
          setTrueSize={setTrueSize}
          recentre={recentre}
          keep={keep}
          setSubject={setSubject}
        />
      </Modal.Body>
    </Modal>
  );
}
