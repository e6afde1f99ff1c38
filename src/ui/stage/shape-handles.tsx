'use client';
import { useDrag } from '@use-gesture/react';
import {
  anchorPoint,
  catchLines,
  handlesOf,
  pullBox,
  pullHandle,
  stepHandle,
  type Anchor,
  type Guide,
  type Handle,
  type Other,
} from '@/core/outline';
import {
  boundsOfOutline,
  inverseOf,
  isCatalogue,
  mapPoint,
  outlineOf,
  pathData,
  type Box,
  type Point,
  type Shape,
} from '@/core/shape';
import { number } from '@/core/layers';
import { stepIn, type Template } from '@/core/template';
import { isRegular } from '../shapes/box-controls';
import { say } from '../shared/say';
import type { Edited } from './edited';
import { arrowOf, arrowStep } from './keys';
import { onScreen, type View } from './view';

/** Lines within this many CSS pixels are caught. */
const REACH = 6;
/** Half the side of a grip, CSS pixels. */
const GRIP = 5;
/** How far above the box it is turned by, CSS pixels. */
const TURN_AT = 26;

const GRIPS: readonly (readonly [Anchor, string])[] = [
  [[-1, -1], 'left top corner'],
  [[0, -1], 'top side'],
  [[1, -1], 'right top corner'],
  [[1, 0], 'right side'],
  [[1, 1], 'right bottom corner'],
  [[0, 1], 'bottom side'],
  [[-1, 1], 'left bottom corner'],
  [[-1, 0], 'left side'],
];

type Held =
  | { readonly what: 'shape' }
  | { readonly what: 'grip'; readonly grip: Anchor }
  | { readonly what: 'turn' }
  | { readonly what: 'handle'; readonly handle: Handle };

type ShapeHandlesProps = {
  readonly edited: Edited;
  readonly frame: Template['frame'];
  /** What else lies in it, to catch on. */
  readonly others?: readonly Other[];
  readonly view: View;
  readonly locked: boolean;
  readonly pointAt: (client: readonly [number, number]) => Point;
  readonly onShape: (shape: Shape) => void;
  readonly onDrag: (active: boolean) => void;
  readonly onGuides: (guides: readonly Guide[]) => void;
  /** Whether two fingers do something else with the shape; `first` is a drag's beginning. */
  readonly isHeld: (first: boolean) => boolean;
};

const withBox = (shape: Shape, box: Partial<Box>): Shape => ({ ...shape, box: { ...shape.box, ...box } });

/** Where it lies and how large it is, for those who don't see it. */
const sayBox = ({ box: { cx, cy, width, height, angle } }: Shape) => {
  const [x, y, w, h, turned] = [cx, cy, width, height, angle].map(number);
  say(`Shape ${w} × ${h}, its middle at ${x}, ${y}, turned by ${turned}°`);
};

/** The shape moved by a distance in its own units. */
const movedBy = (shape: Shape, dx: number, dy: number) =>
  withBox(shape, { cx: shape.box.cx + dx, cy: shape.box.cy + dy });

/** Moving, pulling, turning: the outline itself, its box's grips, and a handle for each of its numbers. */
export function ShapeHandles({
  edited,
  frame,
  others = [],
  view,
  locked,
  pointAt,
  onShape,
  onDrag,
  onGuides,
  isHeld,
}: ShapeHandlesProps) {
  const { shape, map } = edited;
  const toOwn = (point: Point) => mapPoint(inverseOf(map), point);
  const show = (own: Point) => onScreen(view, mapPoint(map, own));

  const move = (from: Shape, [sx, sy]: Point, to: Point, free: boolean) => {
    const moved = movedBy(from, to[0] - sx, to[1] - sy);
    if (free) return onShape(moved);
    // Caught by its middle or by the sides of its outline, as they lie in the frame.
    const { box } = moved;
    const [left, top, right, bottom] = boundsOfOutline(outlineOf(from));
    const by: Point = [to[0] - sx, to[1] - sy];
    const middle = mapPoint(map, [box.cx, box.cy]);
    const [low, high] = [mapPoint(map, [left + by[0], top + by[1]]), mapPoint(map, [right + by[0], bottom + by[1]])];
    const { dx, dy, guides } = catchLines(
      [middle[0], low[0], high[0]],
      [middle[1], low[1], high[1]],
      frame,
      REACH / view.k,
      others,
    );
    const [ox, oy] = toOwn([0, 0]);
    const [cx, cy] = toOwn([dx, dy]);
    onGuides(guides);
    onShape(movedBy(moved, cx - ox, cy - oy));
  };

  const pull = (from: Shape, grip: Anchor, to: Point, keys: { shift: boolean; alt: boolean; free: boolean }) => {
    let target = to;
    if (!keys.free) {
      const { dx, dy, guides } = catchLines(
        [mapPoint(map, to)[0]],
        [mapPoint(map, to)[1]],
        frame,
        REACH / view.k,
        others,
      );
      const seen = guides.filter(({ axis }) => (axis === 'x' ? grip[0] !== 0 : grip[1] !== 0));
      onGuides(seen);
      const frameTo = mapPoint(map, to);
      target = toOwn([frameTo[0] + dx, frameTo[1] + dy]);
    }
    const keep = locked || keys.shift || isRegular(from);
    const pulled = withBox(from, pullBox(from.box, grip, target, { locked: keep, centred: keys.alt }));
    onShape(pulled);
    return pulled;
  };

  const turn = (from: Shape, to: Point, steps: boolean) => {
    const { cx, cy } = from.box;
    const angle = (Math.atan2(to[1] - cy, to[0] - cx) * 180) / Math.PI + 90;
    const rounded = steps ? Math.round(angle / 15) * 15 : Math.round(angle * 10) / 10;
    onShape(withBox(from, { angle: ((rounded + 540) % 360) - 180 }));
  };

  const bind = useDrag(
    ({ args, xy, initial, first, last, memo, shiftKey, altKey, ctrlKey, metaKey, event }) => {
      event.stopPropagation();
      const held = args[0] as Held;
      const free = ctrlKey || metaKey;
      const from = (memo as Shape | undefined) ?? shape;
      if (isHeld(first)) return from;
      if (first) onDrag(true);
      const to = toOwn(pointAt(xy));
      if (held.what === 'shape') move(from, toOwn(pointAt(initial)), to, free);
      if (held.what === 'grip') pull(from, held.grip, to, { shift: shiftKey, alt: altKey, free });
      if (held.what === 'turn') turn(from, to, shiftKey);
      if (held.what === 'handle' && isCatalogue(from)) onShape({ ...from, ...pullHandle(from, held.handle, to) });
      if (last) {
        onDrag(false);
        onGuides([]);
      }
      return from;
    },
    { pointer: { keys: false } },
  );

  const outline = pathData(outlineOf(shape), 3);
  const { k, x, y } = view;
  const [a, b, c, d, e, f] = map;
  const top = show(anchorPoint(shape.box, [0, -1]));
  const middle = show([shape.box.cx, shape.box.cy]);
  const away = Math.hypot(top[0] - middle[0], top[1] - middle[1]) || 1;
  const turnAt: Point = [
    top[0] + ((top[0] - middle[0]) / away) * TURN_AT,
    top[1] + ((top[1] - middle[1]) / away) * TURN_AT,
  ];
  const corners = ([[-1, -1], [1, -1], [1, 1], [-1, 1]] as const).map((corner) => show(anchorPoint(shape.box, corner)).join()); // prettier-ignore
  return (
    <>
      <path
        {...bind({ what: 'shape' } satisfies Held)}
        className="stage-outline"
        d={outline}
        fillRule="nonzero"
        transform={`matrix(${k} 0 0 ${k} ${x} ${y}) matrix(${a} ${b} ${c} ${d} ${e} ${f})`}
        tabIndex={0}
        role="button"
        aria-label="Shape: drag it, or move it with the arrow keys"
        onKeyDown={(event) => {
          const step = arrowStep(event, frame.unit);
          if (!step) return;
          const [ox, oy] = toOwn([0, 0]);
          const [sx, sy] = toOwn(step);
          const moved = movedBy(shape, sx - ox, sy - oy);
          onShape(moved);
          sayBox(moved);
        }}
      />
      <polygon className="stage-box" points={corners.join(' ')} />
      <line className="stage-box" x1={top[0]} y1={top[1]} x2={turnAt[0]} y2={turnAt[1]} />
      <circle
        {...bind({ what: 'turn' } satisfies Held)}
        className="stage-grip"
        cx={turnAt[0]}
        cy={turnAt[1]}
        r={GRIP}
        tabIndex={0}
        role="slider"
        aria-label="Turned"
        aria-valuenow={Math.round(shape.box.angle * 10) / 10}
        aria-valuetext={`${Math.round(shape.box.angle * 10) / 10} degrees`}
        onKeyDown={(event) => {
          const step = arrowOf(event);
          if (step) onShape(withBox(shape, { angle: Math.round((shape.box.angle + step[0] - step[1]) * 10) / 10 }));
        }}
      />
      {GRIPS.map(([grip, label]) => {
        const [gx, gy] = show(anchorPoint(shape.box, grip));
        return (
          <rect
            key={label}
            {...bind({ what: 'grip', grip } satisfies Held)}
            className="stage-grip"
            x={gx - GRIP}
            y={gy - GRIP}
            width={2 * GRIP}
            height={2 * GRIP}
            tabIndex={0}
            role="button"
            aria-label={`Size, ${label}`}
            onKeyDown={(event) => {
              const step = arrowStep(event, frame.unit);
              if (!step) return;
              const at = mapPoint(map, anchorPoint(shape.box, grip));
              const to = toOwn([at[0] + step[0], at[1] + step[1]]);
              sayBox(pull(shape, grip, to, { shift: false, alt: event.altKey, free: true }));
            }}
          />
        );
      })}
      {handlesOf(shape).map((handle) => {
        const [hx, hy] = show(handle.at);
        const value = [(shape as unknown as Record<string, number | number[]>)[handle.key]!].flat()[handle.place]!;
        return (
          <circle
            key={`${handle.key} ${handle.place}`}
            {...bind({ what: 'handle', handle } satisfies Held)}
            className="stage-handle"
            cx={hx}
            cy={hy}
            r={6}
            tabIndex={0}
            role="slider"
            aria-label={handle.label}
            aria-valuenow={value}
            onKeyDown={(event) => {
              const step = arrowOf(event);
              if (step && isCatalogue(shape))
                onShape({ ...shape, ...stepHandle(shape, handle, step[0] - step[1], stepIn(frame.unit)) });
            }}
          >
            <title>{handle.label}</title>
          </circle>
        );
      })}
    </>
  );
}
