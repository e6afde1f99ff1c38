'use client';
import { useDrag } from '@use-gesture/react';
import { inverseOf, mapPoint, pinAt, boxPlaces, type Point } from '@/core/shape';
import { pinsIn, type Template } from '@/core/template';
import type { TemplateStore } from '../template/store';
import { arrowStep } from './keys';
import { bendFor, MOST_PINS, pinsFor, withPins } from './pins';
import type { Bends } from './stage-state';
import { onScreen, type View } from './view';

type PinHandlesProps = {
  readonly template: Template;
  readonly store: TemplateStore;
  /** What is bent. */
  readonly bends: Bends;
  readonly view: View;
  readonly pointAt: (client: readonly [number, number]) => Point;
  readonly onDrag: (active: boolean) => void;
};

/** Shares of the shape's box, to four decimals, from a place of the frame. */
function shareOf({ shape }: Template, place: Point): [number, number] {
  const [u, v] = mapPoint(inverseOf(boxPlaces(shape.box)), place);
  const held = (share: number) => Math.min(10, Math.max(-10, Math.round(share * 1e4) / 1e4));
  return [held(u), held(v)];
}

/** One pin more at a place of the frame; nothing moves by it. */
export function withPinAt(template: Template, bends: Bends, place: Point): Template {
  const pins = pinsFor(template, bends);
  if (pins.length >= MOST_PINS) return template;
  const { from, to } = pinAt(pinsIn(template, pins), place);
  return withPins(template, bends, [...pins, { from: shareOf(template, from), to: shareOf(template, to) }]);
}

const movedPin = (template: Template, bends: Bends, i: number, place: Point): Template =>
  withPins(
    template,
    bends,
    pinsFor(template, bends).map((pin, k) => (k === i ? { ...pin, to: shareOf(template, place) } : pin)),
  );

const withoutPin = (template: Template, bends: Bends, i: number): Template =>
  withPins(
    template,
    bends,
    pinsFor(template, bends).filter((_, k) => k !== i),
  );

/** Pins that bend the outline: put by a click, dragged, moved by arrow keys, taken out by Delete. */
export function PinHandles({ template, store, bends, view, pointAt, onDrag }: PinHandlesProps) {
  const pins = pinsIn(template, pinsFor(template, bends));
  const { crossing } = bendFor(template, bends);
  const ring = crossing && onScreen(view, crossing);
  const bind = useDrag(
    ({ args: [i], xy, first, last, event }) => {
      event.stopPropagation();
      if (first) onDrag(true);
      store.change((t) => movedPin(t, bends, i as number, pointAt(xy)));
      if (last) onDrag(false);
    },
    { pointer: { keys: false }, filterTaps: true },
  );
  return (
    <>
      <rect
        className="stage-catch"
        width={view.width}
        height={view.height}
        onClick={(event) => store.change((t) => withPinAt(t, bends, pointAt([event.clientX, event.clientY])))}
      />
      {ring && <circle className="stage-crossing" cx={ring[0]} cy={ring[1]} r={12} aria-hidden="true" />}
      {pins.map(({ from, to }, i) => {
        const [start, end] = [onScreen(view, from), onScreen(view, to)];
        return (
          <g key={i}>
            <line className="stage-box" x1={start[0]} y1={start[1]} x2={end[0]} y2={end[1]} />
            <circle
              {...bind(i)}
              className="stage-handle"
              cx={end[0]}
              cy={end[1]}
              r={7}
              tabIndex={0}
              role="button"
              aria-label={`Pin ${i + 1}: drag it, move it with the arrow keys, or take it out with Delete`}
              onKeyDown={(event) => {
                const step = arrowStep(event, template.frame.unit);
                if (event.key === 'Delete' || event.key === 'Backspace') store.change((t) => withoutPin(t, bends, i));
                else if (step) store.change((t) => movedPin(t, bends, i, [to[0] + step[0], to[1] + step[1]]));
                else return;
                event.preventDefault();
              }}
            />
          </g>
        );
      })}
    </>
  );
}
