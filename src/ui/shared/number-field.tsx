'use client';
import { useId, useState } from 'react';
import { stepIn } from '@/core/template';
import type { Word } from './glossary';
import { UnitBox } from './unit-box';
import { WhatIs } from './what-is';

export type NumberFieldProps = {
  readonly label: string;
  /** A word of our own that it is about. */
  readonly word?: Word;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  /** What a press of a key goes by; left out, what suits the unit. */
  readonly step?: number;
  readonly unit?: string;
  /** Range of the slider beside it; left out, there is none. Typed values may go beyond it. */
  readonly slider?: readonly [number, number];
  /** Reads what is typed, where more than a plain number is understood. */
  readonly read?: (text: string, value: number) => number | null;
  readonly onChange: (value: number) => void;
  /** Called when a drag of the slider begins and ends: what lies between is one step to undo. */
  readonly onDrag?: (active: boolean) => void;
};

const plainNumber = (text: string) => (text.trim() === '' ? null : Number(text.replace(',', '.')));

/** As many decimals as there is room for; the value itself keeps all of its own. */
const shown = (v: number) => {
  const k = Math.abs(v) >= 100 ? 10 : Math.abs(v) >= 10 ? 100 : 1000;
  return String(Math.round(v * k) / k);
};

/** A number in a box with its unit, and a slider where one helps. */
export function NumberField({
  label,
  word,
  value,
  min,
  max,
  unit = '',
  step = stepIn(unit),
  slider,
  read = plainNumber,
  onChange,
  onDrag,
}: NumberFieldProps) {
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const held = (number: number) => Math.min(Math.max(number, min), max);
  const commit = (text: string) => {
    setTyped(null);
    const number = read(text, value);
    if (number === null || !Number.isFinite(number)) return;
    const next = held(number);
    if (next !== value) onChange(next);
  };
  const nudge = (by: number) => {
    setTyped(null);
    onChange(held(Math.round((value + by) * 1e4) / 1e4));
  };
  return (
    <div className="field">
      <span className="label">
        <label htmlFor={id}>{label}</label>
        {word && <WhatIs word={word} />}
      </span>
      <div className={slider ? 'number' : 'number alone'}>
        <UnitBox
          id={id}
          unit={unit}
          value={typed ?? shown(value)}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={() => typed !== null && commit(typed)}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && typed !== null) commit(typed);
            if (event.key === 'Escape') setTyped(null);
            if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
              event.preventDefault();
              nudge((event.key === 'ArrowUp' ? step : -step) * (event.shiftKey ? 10 : 1));
            }
          }}
        />
        {slider && (
          <input
            type="range"
            className="form-range"
            aria-label={`${label}, slider`}
            min={slider[0]}
            max={slider[1]}
            step={step}
            value={Math.min(Math.max(value, slider[0]), slider[1])}
            onChange={(event) => onChange(held(Number(event.target.value)))}
            onPointerDown={() => onDrag?.(true)}
            onPointerUp={() => onDrag?.(false)}
            onPointerCancel={() => onDrag?.(false)}
          />
        )}
      </div>
    </div>
  );
}
