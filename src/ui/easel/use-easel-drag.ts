'use client';
import { useGesture } from '@use-gesture/react';
import { useEffect, useEffectEvent, useState, type RefObject } from 'react';
import {
  betweenFingers,
  caughtBy,
  inPhoto,
  movedBy,
  scaledAbout,
  type Adjustment,
  type Fingers,
  type Placed,
  type Placer,
} from '@/core/placement';
import { photoBox, type Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';

/** What a drag moves: the photo under the shape, the shape over the photo, both over the room, or a box around the subject. */
export type Tool = 'photo' | 'shape' | 'both' | 'subject';

type Vector = readonly [number, number];
type Pinch = { readonly from: Adjustment; readonly fingers: Fingers };
type Grasp = { readonly from: Adjustment; readonly pan: Vector; readonly k: number };

/** The subject catches on the spot within this share of the frame. */
const REACH = 0.008;
/** A drag of fewer CSS pixels is a click. */
const CLICK = 5;
/** Scaling a pixel of the wheel. */
const WHEEL = 0.001;

type EaselDrag = {
  readonly room: RefObject<SVGSVGElement | null>;
  readonly template: Template;
  readonly photo: PhotoRow;
  readonly place: Placer;
  readonly placed: Placed;
  readonly spot: Vector;
  readonly tool: Tool;
  /** The adjustment as it is at this moment. */
  readonly now: () => Adjustment;
  readonly keep: (words: string, next: Adjustment) => void;
  readonly hold: (words: string, next: Adjustment) => void;
  readonly holdAWhile: (words: string, next: Adjustment) => void;
  /** The subject pointed at by a click, as its modifier keys say, or by a rough box. */
  readonly onClick: (at: Vector, keys: { readonly shiftKey: boolean; readonly altKey: boolean }) => void;
  readonly onBox: (box: readonly [number, number, number, number]) => void;
  readonly onBegin: () => void;
};

/** The easel by pointer and wheel. */
export function useEaselDrag(easel: EaselDrag) {
  const { room, template, photo, place, placed, spot, tool, now, keep, hold, holdAWhile } = easel;
  const { frame } = template;
  const extent = photoBox(template);
  const [boxing, setBoxing] = useState<readonly [number, number, number, number] | null>(null);
  const [caught, setCaught] = useState(false);
  const [pan, setPan] = useState<Vector>([0, 0]);

  const pointAt = ([clientX, clientY]: Vector): Vector => {
    const matrix = room.current!.getScreenCTM()!.inverse();
    const { x, y } = new DOMPoint(clientX, clientY).matrixTransform(matrix);
    return [x, y];
  };
  const shareAt = (at: Vector): Vector => {
    const [px, py] = inPhoto(placed, photo, pointAt(at));
    return [px / photo.width, py / photo.height];
  };

  function drawBox(from: Vector, to: Vector, last: boolean, keys: { shiftKey: boolean; altKey: boolean }): void {
    const [[ax, ay], [bx, by]] = [shareAt(from), shareAt(to)];
    const box = [Math.min(ax, bx), Math.min(ay, by), Math.abs(bx - ax), Math.abs(by - ay)] as const;
    const isClick = Math.hypot(to[0] - from[0], to[1] - from[1]) < CLICK;
    setBoxing(isClick || last ? null : box);
    if (!last) return;
    if (!isClick) easel.onBox(box);
    else if (Math.min(ax, ay) >= 0 && Math.max(ax, ay) <= 1) easel.onClick([ax, ay], keys);
  }

  /** The adjustment of a drag, its subject's centre (or the photo's) caught by the spot unless that is let go of. */
  function dragged(from: Adjustment, by: Vector, free: boolean): { next: Adjustment; isCaught: boolean } {
    const next = movedBy(from, extent, by);
    if (free) return { next, isCaught: false };
    const seen = place({ ...photo, adjustment: next });
    const centre: Vector = seen.subject ? [seen.subject.x, seen.subject.y] : [seen.x, seen.y];
    const pull = caughtBy(spot, centre, REACH * Math.max(frame.width, frame.height));
    return { next: movedBy(next, extent, pull), isCaught: pull[0] !== 0 || pull[1] !== 0 };
  }

  /** The photo as two fingers hold it: larger as they part, turned as they turn. */
  function pinched({ from, fingers }: Pinch, now: Fingers, origin: Vector): Adjustment {
    const { scale, turn } = betweenFingers(fingers, now);
    const scaled = scaledAbout(from, scale, pointAt(origin), spot, extent);
    return { ...scaled, angle: scaled.angle + turn };
  }

  const bind = useGesture(
    {
      onDrag: ({ xy, initial, first, last, memo, ctrlKey, metaKey, shiftKey, altKey, pinching, cancel }) => {
        // A second finger makes it a pinch.
        if (pinching) return cancel();
        // What is dragged is measured by the screen: the room itself may move meanwhile.
        const grasp: Grasp = (memo as Grasp | undefined) ?? { from: now(), pan, k: room.current!.getScreenCTM()!.a };
        const [wx, wy] = [(xy[0] - initial[0]) / grasp.k, (xy[1] - initial[1]) / grasp.k];
        const away: Vector = [grasp.pan[0] + wx, grasp.pan[1] + wy];
        if (tool === 'both') setPan(away);
        else if (tool === 'subject') drawBox(initial, xy, last, { shiftKey, altKey });
        else {
          // The shape moved one way over a photo that stays is the photo moved the other way under it.
          const way = tool === 'shape' ? -1 : 1;
          if (tool === 'shape') setPan(last ? grasp.pan : away);
          const { next, isCaught } = dragged(grasp.from, [way * wx, way * wy], ctrlKey || metaKey);
          setCaught(!last && isCaught);
          if (first) easel.onBegin();
          if (last) keep('moved', next);
          else hold('moved', next);
        }
        return grasp;
      },
      onPinch: ({ da, origin, first, last, memo }) => {
        const pinch: Pinch = (memo as Pinch | undefined) ?? { from: now(), fingers: da };
        const next = pinched(pinch, da, origin);
        if (first) easel.onBegin();
        if (last) keep('scaled and turned', next);
        else hold('scaled and turned', next);
        return pinch;
      },
    },
    { drag: { pointer: { keys: false } }, pinch: { pinchOnWheel: false } },
  );

  // React listens to wheels passively; here the page must not scroll.
  const onWheel = useEffectEvent((event: WheelEvent) => {
    event.preventDefault();
    const k = Math.exp(-event.deltaY * WHEEL);
    holdAWhile('scaled', scaledAbout(now(), k, pointAt([event.clientX, event.clientY]), spot, extent));
  });
  useEffect(() => {
    const wheel = (event: WheelEvent) => {
      if (room.current && event.target instanceof Node && room.current.contains(event.target)) onWheel(event);
    };
    document.addEventListener('wheel', wheel, { passive: false });
    return () => document.removeEventListener('wheel', wheel);
  }, [room]);

  return { bind, boxing, caught, pan, recentre: pan[0] !== 0 || pan[1] !== 0 ? () => setPan([0, 0]) : null };
}
