'use client';
import { useDrag } from '@use-gesture/react';
import { useState } from 'react';
import {
  canRemove,
  catchLines,
  contourOf,
  insertNode,
  isSmooth,
  makeCorner,
  makeSmooth,
  moveHandle,
  moveNode,
  nearestOnContour,
  nodesOf,
  removeNode,
  type Guide,
  type NodeContour,
} from '@/core/outline';
import { completeShape, contoursOf, inverseOf, mapPoint, pathData, type Point, type Shape } from '@/core/shape';
import type { Template } from '@/core/template';
import type { Edited } from './edited';
import { arrowStep } from './keys';
import { onScreen, type View } from './view';

const REACH = 6;

type At = { readonly contour: number; readonly i: number };
type Held = At & { readonly what: 'node' | 'before' | 'after' };

/** Points as a drawn outline; null where they enclose nothing. */
export function shapeOfNodes(
  contours: readonly NodeContour[],
  frame: Template['frame'],
  fillRule: 'nonzero' | 'evenodd',
): Shape | null {
  try {
    return completeShape({ kind: 'path', d: pathData(contours.map(contourOf)), fillRule }, frame);
  } catch {
    // Points in a line enclose nothing: the outline stays as it was.
    return null;
  }
}

type PointHandlesProps = {
  readonly edited: Edited;
  readonly frame: Template['frame'];
  readonly view: View;
  readonly pointAt: (client: readonly [number, number]) => Point;
  readonly onShape: (shape: Shape) => void;
  readonly onDrag: (active: boolean) => void;
  readonly onGuides: (guides: readonly Guide[]) => void;
};

/** The points of a drawn outline, to move, add and take out, and the handles of the chosen one. */
export function PointHandles({ edited, frame, view, pointAt, onShape, onDrag, onGuides }: PointHandlesProps) {
  const { shape, map } = edited;
  const [chosen, setChosen] = useState<At | null>(null);
  const contours = contoursOf(shape).map(nodesOf);
  const toOwn = (point: Point) => mapPoint(inverseOf(map), point);
  const show = (own: Point) => onScreen(view, mapPoint(map, own));
  const change = (next: readonly NodeContour[]) => {
    const rule = shape.kind === 'path' ? shape.fillRule : 'nonzero';
    const drawn = shapeOfNodes(next, frame, rule);
    if (drawn) onShape(drawn);
  };
  const changeAt = (at: number, work: (nodes: NodeContour) => NodeContour, from = contours) =>
    change(from.map((nodes, i) => (i === at ? work(nodes) : nodes)));

  const bind = useDrag(
    ({ args, xy, first, last, memo, ctrlKey, metaKey, event }) => {
      event.stopPropagation();
      const { what, contour, i } = args[0] as Held;
      if (first) {
        onDrag(true);
        setChosen({ contour, i });
      }
      const from = (memo as NodeContour[] | undefined) ?? contours;
      let to = pointAt(xy);
      if (what === 'node' && !ctrlKey && !metaKey) {
        const { dx, dy, guides } = catchLines([to[0]], [to[1]], frame, REACH / view.k);
        onGuides(guides);
        to = [to[0] + dx, to[1] + dy];
      }
      const own = toOwn(to);
      if (!first || event.type !== 'pointerdown')
        changeAt(
          contour,
          (nodes) => (what === 'node' ? moveNode(nodes, i, own) : moveHandle(nodes, i, what, own)),
          from,
        );
      if (last) {
        onDrag(false);
        onGuides([]);
      }
      return from;
    },
    { pointer: { keys: false }, filterTaps: false },
  );

  const node = chosen && contours[chosen.contour]?.[chosen.i];
  const onNode = (work: (nodes: NodeContour, i: number) => NodeContour) =>
    chosen && changeAt(chosen.contour, (nodes) => work(nodes, chosen.i));
  const { k, x, y } = view;
  const [a, b, c, d, e, f] = map;
  return (
    <>
      <path
        className="stage-outline"
        d={pathData(contours.map(contourOf), 3)}
        transform={`matrix(${k} 0 0 ${k} ${x} ${y}) matrix(${a} ${b} ${c} ${d} ${e} ${f})`}
        role="img"
        aria-label="Outline: double-click adds a point"
        onDoubleClick={(event) => {
          const point = toOwn(pointAt([event.clientX, event.clientY]));
          const nearest = contours.map((nodes) => nearestOnContour(nodes, point));
          const contour = nearest.reduce((best, n, i) => (n.distance < nearest[best]!.distance ? i : best), 0);
          const { i, t } = nearest[contour]!;
          changeAt(contour, (nodes) => insertNode(nodes, i, t));
          setChosen({ contour, i: i + 1 });
        }}
      />
      {node &&
        (['before', 'after'] as const).map((which) => {
          const offset = node[which];
          if (!offset) return null;
          const [px, py] = show(node.at);
          const [hx, hy] = show([node.at[0] + offset[0], node.at[1] + offset[1]]);
          return (
            <g key={which}>
              <line className="stage-arm" x1={px} y1={py} x2={hx} y2={hy} />
              <circle
                {...bind({ what: which, ...chosen } satisfies Held)}
                className="stage-handle"
                cx={hx}
                cy={hy}
                r={5}
                tabIndex={0}
                role="button"
                aria-label={which === 'before' ? 'Curve before the point' : 'Curve after the point'}
                onKeyDown={(event) => {
                  const step = arrowStep(event, frame.unit);
                  if (!step) return;
                  const at = mapPoint(map, [node.at[0] + offset[0], node.at[1] + offset[1]]);
                  onNode((nodes, i) => moveHandle(nodes, i, which, toOwn([at[0] + step[0], at[1] + step[1]])));
                }}
              />
            </g>
          );
        })}
      {contours.flatMap((nodes, contour) =>
        nodes.map((n, i) => {
          const [px, py] = show(n.at);
          const smooth = isSmooth(n);
          const here = chosen?.contour === contour && chosen.i === i;
          return (
            <rect
              key={`${contour} ${i}`}
              {...bind({ what: 'node', contour, i } satisfies Held)}
              className={here ? 'stage-grip is-chosen' : 'stage-grip'}
              x={px - 4.5}
              y={py - 4.5}
              width={9}
              height={9}
              rx={smooth ? 4.5 : 0}
              tabIndex={0}
              role="button"
              aria-label={`Point ${i + 1}, ${smooth ? 'smooth' : 'corner'}`}
              onFocus={() => setChosen({ contour, i })}
              onKeyDown={(event) => {
                const step = arrowStep(event, frame.unit);
                if (step) {
                  const at = mapPoint(map, n.at);
                  changeAt(contour, (all) => moveNode(all, i, toOwn([at[0] + step[0], at[1] + step[1]])));
                } else if (event.key === 'Delete' || event.key === 'Backspace') {
                  event.preventDefault();
                  changeAt(contour, (all) => removeNode(all, i));
                } else if (event.key === 's') changeAt(contour, (all) => makeSmooth(all, i));
                else if (event.key === 'c') changeAt(contour, (all) => makeCorner(all, i));
                else if (event.key === 'a') changeAt(contour, (all) => insertNode(all, i, 0.5));
              }}
            />
          );
        }),
      )}
      {node && chosen && (
        <foreignObject x={8} y={8} width={420} height={40}>
          <div className="stage-tools" role="group" aria-label="Chosen point">
            <button type="button" onClick={() => onNode(makeSmooth)}>
              Smooth <kbd>S</kbd>
            </button>
            <button type="button" onClick={() => onNode(makeCorner)}>
              Corner <kbd>C</kbd>
            </button>
            <button type="button" onClick={() => onNode((nodes, i) => insertNode(nodes, i, 0.5))}>
              Add after <kbd>A</kbd>
            </button>
            <button
              type="button"
              disabled={!canRemove(contours[chosen.contour]!)}
              onClick={() => {
                onNode(removeNode);
                setChosen(null);
              }}
            >
              Remove <kbd>Del</kbd>
            </button>
          </div>
        </foreignObject>
      )}
    </>
  );
}
