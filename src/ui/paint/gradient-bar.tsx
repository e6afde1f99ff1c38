'use client';
import { useDrag } from '@use-gesture/react';
import { useRef } from 'react';
import { cssStops, movedStop, withStop, type Stop } from './paint-kinds';

type GradientBarProps = {
  readonly stops: readonly Stop[];
  readonly chosen: number;
  readonly onChoose: (i: number) => void;
  readonly onChange: (stops: Stop[]) => void;
  readonly onDrag: (active: boolean) => void;
};

const MOST = 32;
/** The stops on a bar: dragged, moved by keys, added by a click between them. */
export function GradientBar({ stops, chosen, onChoose, onChange, onDrag }: GradientBarProps) {
  const bar = useRef<HTMLDivElement>(null);
  const shareAt = (clientX: number) => {
    const { left, width } = bar.current!.getBoundingClientRect();
    return Math.min(1, Math.max(0, Math.round(((clientX - left) / width) * 1000) / 1000));
  };
  const move = (i: number, at: number) => onChange(movedStop(stops, i, at));
  const bind = useDrag(
    ({ args: [i], xy: [x], first, last, event }) => {
      event.stopPropagation();
      if (first) {
        onDrag(true);
        onChoose(i as number);
      }
      move(i as number, shareAt(x));
      if (last) onDrag(false);
    },
    { pointer: { keys: false }, filterTaps: true },
  );
  const add = (at: number) => {
    if (stops.length >= MOST) return;
    const added = withStop(stops, at);
    onChange(added.stops);
    onChoose(added.i);
  };
  return (
    <div
      ref={bar}
      className="gradient-bar"
      role="group"
      aria-label="Stops of the gradient"
      onClick={(event) => event.target === event.currentTarget && add(shareAt(event.clientX))}
    >
      <div className="shown" style={{ backgroundImage: cssStops(stops) }} />
      {stops.map(([at, colour], i) => (
        <button
          key={i}
          type="button"
          {...bind(i)}
          className="stop"
          role="slider"
          aria-label={`Stop ${i + 1}`}
          aria-valuemin={0}
          aria-valuemax={100}
          aria-valuenow={Math.round(at * 1000) / 10}
          aria-valuetext={`${Math.round(at * 1000) / 10} %, ${colour}`}
          data-chosen={i === chosen}
          style={{ left: `${at * 100}%`, backgroundColor: colour }}
          onClick={() => onChoose(i)}
          onKeyDown={(event) => {
            const by = { ArrowLeft: -0.01, ArrowDown: -0.01, ArrowRight: 0.01, ArrowUp: 0.01 }[event.key];
            if (by === undefined) return;
            event.preventDefault();
            onChoose(i);
            move(i, at + by * (event.shiftKey ? 10 : 1));
          }}
        />
      ))}
    </div>
  );
}
