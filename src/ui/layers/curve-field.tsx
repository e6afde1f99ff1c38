'use client';
import { useDrag } from '@use-gesture/react';
import { useRef, useState } from 'react';
import type { ProfileCurve } from '@/core/layers';
import { pointAdded, pointMoved, pointTaken } from './curve';

const [WIDE, HIGH] = [200, 72];

type CurveFieldProps = {
  readonly label: string;
  readonly curve: ProfileCurve;
  readonly onChange: (curve: ProfileCurve) => void;
  readonly onDrag: (active: boolean) => void;
};

const KEYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-0.01, 0],
  ArrowRight: [0.01, 0],
  ArrowUp: [0, 0.02],
  ArrowDown: [0, -0.02],
};

/** A band cut through, from its outer edge to its inner one: points dragged, moved by keys, added by a click, taken out by Delete. */
export function CurveField({ label, curve, onChange, onDrag }: CurveFieldProps) {
  const box = useRef<SVGSVGElement>(null);
  const [chosen, setChosen] = useState(0);
  const placeOf = (x: number, y: number): [number, number] => {
    const { left, top, width, height } = box.current!.getBoundingClientRect();
    return [(x - left) / width, 1 - (y - top) / height];
  };
  const bind = useDrag(
    ({ args: [i], xy: [x, y], first, last, event }) => {
      event.stopPropagation();
      if (first) onDrag(true);
      setChosen(i as number);
      onChange(pointMoved(curve, i as number, placeOf(x, y)));
      if (last) onDrag(false);
    },
    { pointer: { keys: false }, filterTaps: true },
  );
  const at = ([x, y]: readonly [number, number]) => `${x * WIDE},${(1 - y) * HIGH}`;
  return (
    <div className="field curve-field">
      <span className="label">{label}</span>
      <svg
        ref={box}
        viewBox={`-6 -6 ${WIDE + 12} ${HIGH + 12}`}
        role="group"
        aria-label={`${label}: from the outer edge to the inner one`}
        onClick={(event) => {
          if (event.target !== event.currentTarget) return;
          const added = pointAdded(curve, placeOf(event.clientX, event.clientY));
          if (!added) return;
          onChange(added.curve);
          setChosen(added.i);
        }}
      >
        <polygon points={`0,${HIGH} ${curve.map(at).join(' ')} ${WIDE},${HIGH}`} />
        {curve.map(([x, y], i) => (
          <circle
            key={i}
            {...bind(i)}
            cx={x * WIDE}
            cy={(1 - y) * HIGH}
            r={5}
            tabIndex={0}
            role="slider"
            aria-label={`Point ${i + 1}`}
            aria-valuemin={0}
            aria-valuemax={100}
            aria-valuenow={Math.round(y * 100)}
            aria-valuetext={`${Math.round(x * 100)} % in, ${Math.round(y * 100)} % high`}
            data-chosen={i === chosen}
            onFocus={() => setChosen(i)}
            onKeyDown={(event) => {
              const by = KEYS[event.key];
              if (event.key === 'Delete' || event.key === 'Backspace') onChange(pointTaken(curve, i));
              else if (by) onChange(pointMoved(curve, i, [x + by[0], y + by[1]]));
              else return;
              event.preventDefault();
            }}
          />
        ))}
      </svg>
    </div>
  );
}
