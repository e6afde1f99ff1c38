'use client';
import { useDrag } from '@use-gesture/react';
import { useEffect, useRef, useState } from 'react';
import { catchLines, contourOf, type Guide, type Node } from '@/core/outline';
import { pathData, type Point } from '@/core/shape';
import type { Template } from '@/core/template';
import { arrowStep } from './keys';
import { onScreen, type View } from './view';

/** The first point is met within this many CSS pixels. */
const MEETS = 10;
const REACH = 6;
/** A drag shorter than this is a click, CSS pixels. */
const CLICK = 4;

type DrawingProps = {
  readonly frame: Template['frame'];
  readonly view: View;
  readonly pointAt: (client: readonly [number, number]) => Point;
  readonly onGuides: (guides: readonly Guide[]) => void;
  readonly onClosed: (nodes: readonly Node[]) => void;
  readonly onCancel: () => void;
};

/** A new outline, point by point: a click sets a corner, a drag a curve; the first point closes it. By keys: arrows, space, enter. */
export function Drawing({ frame, view, pointAt, onGuides, onClosed, onCancel }: DrawingProps) {
  const [nodes, setNodes] = useState<readonly Node[]>([]);
  const [cursor, setCursor] = useState<Point>([frame.width / 2, frame.height / 2]);
  const surface = useRef<SVGRectElement>(null);
  useEffect(() => surface.current?.focus(), []);
  const caught = (point: Point, free: boolean): Point => {
    if (free) return point;
    const { dx, dy, guides } = catchLines([point[0]], [point[1]], frame, REACH / view.k);
    onGuides(guides);
    return [point[0] + dx, point[1] + dy];
  };
  const meetsFirst = ([x, y]: Point) => {
    const first = nodes[0];
    return nodes.length > 2 && first !== undefined && Math.hypot(first.at[0] - x, first.at[1] - y) * view.k < MEETS;
  };
  const bind = useDrag(
    ({ xy, initial, first, last, memo, ctrlKey, metaKey }) => {
      type Memo = { readonly at: Point; readonly before: readonly Node[]; readonly closes: boolean };
      const state = (memo as Memo | undefined) ?? {
        at: caught(pointAt(initial), ctrlKey || metaKey),
        before: nodes,
        closes: meetsFirst(pointAt(initial)),
      };
      const to = pointAt(xy);
      const pulled = Math.hypot(xy[0] - initial[0], xy[1] - initial[1]) > CLICK;
      const after: Point | null = pulled ? [to[0] - state.at[0], to[1] - state.at[1]] : null;
      const before: Point | null = after && [-after[0], -after[1]];
      setCursor(state.at);
      const next: readonly Node[] = state.closes
        ? // A drag on the first point bends the way into it.
          state.before.map((node, i) => (i === 0 && before ? { ...node, before } : node))
        : [...state.before, { at: state.at, before, after }];
      setNodes(next);
      if (last) {
        onGuides([]);
        if (state.closes) onClosed(next);
      }
      if (first) surface.current?.focus();
      return state;
    },
    { pointer: { keys: false } },
  );
  const shown = nodes.length > 1 ? pathData([contourOf(nodes)], 3).replace(/Z$/, '') : '';
  const { k, x, y } = view;
  const [cx, cy] = onScreen(view, cursor);
  return (
    <>
      <rect
        ref={surface}
        {...bind()}
        className="stage-surface"
        width={view.width}
        height={view.height}
        tabIndex={0}
        role="application"
        aria-label="Drawing: arrow keys move the cross, space sets a corner, Enter closes the outline, Backspace takes the last point back, Esc leaves"
        onKeyDown={(event) => {
          const step = arrowStep(event, frame.unit);
          if (step) setCursor([cursor[0] + step[0], cursor[1] + step[1]]);
          else if (event.key === ' ') setNodes([...nodes, { at: cursor, before: null, after: null }]);
          else if (event.key === 'Backspace') setNodes(nodes.slice(0, -1));
          else if (event.key === 'Enter' && nodes.length > 2) onClosed(nodes);
          else if (event.key === 'Escape') onCancel();
          else return;
          event.preventDefault();
        }}
      />
      <g pointerEvents="none">
        <path className="stage-drawn" d={shown} transform={`matrix(${k} 0 0 ${k} ${x} ${y})`} />
        <path className="stage-cross" d={`M${cx - 9} ${cy}H${cx + 9}M${cx} ${cy - 9}V${cy + 9}`} />
        {nodes.map(({ at, before, after }, i) => {
          const [px, py] = onScreen(view, at);
          const arms = [before, after].filter((arm) => arm !== null);
          return (
            <g key={i}>
              {i === nodes.length - 1 &&
                arms.map(([ax, ay], n) => (
                  <line key={n} className="stage-arm" x1={px} y1={py} x2={px + ax * k} y2={py + ay * k} />
                ))}
              <rect
                className={i === 0 ? 'stage-grip is-chosen' : 'stage-grip'}
                x={px - 4.5}
                y={py - 4.5}
                width={9}
                height={9}
                rx={after ? 4.5 : 0}
              />
            </g>
          );
        })}
      </g>
    </>
  );
}
