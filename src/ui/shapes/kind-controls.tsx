'use client';
import { useState } from 'react';
import type { z } from 'zod';
import { SHAPES, type CatalogueShape, type Control } from '@/core/shape';
import { ChoiceField } from '../shared/choice-field';
import { NumberField } from '../shared/number-field';
import { limitsOf } from '../shared/number-limits';

const CORNERS = ['Left top', 'Right top', 'Right bottom', 'Left bottom'] as const;

type Drag = (active: boolean) => void;

type CornersProps = {
  readonly radii: readonly number[];
  readonly limit: number;
  readonly unit: string;
  readonly onChange: (radii: number[]) => void;
  readonly onDrag: Drag;
};

function CornersControl({ radii, limit, unit, onChange, onDrag }: CornersProps) {
  const [linked, setLinked] = useState(radii.every((r) => r === radii[0]));
  const set = (i: number, value: number) => onChange(radii.map((r, k) => (linked || k === i ? value : r)));
  const shared = { min: 0, max: 100_000, unit, slider: [0, limit] as const, onDrag };
  return (
    <>
      <ChoiceField
        label="Corners"
        value={linked ? 'alike' : 'each'}
        options={{ alike: 'all alike', each: 'one by one' }}
        onChange={(v) => setLinked(v === 'alike')}
      />
      {linked ? (
        <NumberField label="Radius" value={radii[0]!} onChange={(v) => set(0, v)} {...shared} />
      ) : (
        CORNERS.map((corner, i) => (
          <NumberField key={corner} label={corner} value={radii[i]!} onChange={(v) => set(i, v)} {...shared} />
        ))
      )}
    </>
  );
}

const percent = (share: number) => Math.round(share * 1000) / 10;

type KindControlsProps = {
  readonly shape: CatalogueShape;
  readonly unit: string;
  readonly onChange: (fields: object) => void;
  readonly onDrag: Drag;
};

/** A kind's own parameters, built from its definition. */
export function KindControls({ shape, unit, onChange, onDrag }: KindControlsProps) {
  const { controls, params } = SHAPES[shape.kind] as {
    controls: Record<string, Control>;
    params: Record<string, z.ZodType>;
  };
  const values = shape as unknown as Record<string, unknown>;
  const shorter = Math.min(shape.box.width, shape.box.height);
  return Object.entries(controls).map(([key, { label, as, step, options }]) => {
    const set = (value: unknown) => onChange({ [key]: value });
    if (as === 'corners')
      return (
        <CornersControl
          key={key}
          radii={values[key] as number[]}
          limit={shorter / 2}
          unit={unit}
          onChange={set}
          onDrag={onDrag}
        />
      );
    if (as === 'choice')
      return <ChoiceField key={key} label={label} value={values[key] as string} options={options!} onChange={set} />;
    const [min, max] = limitsOf(params[key]!);
    const value = values[key] as number;
    if (as === 'length')
      return (
        <NumberField
          key={key}
          label={label}
          value={value}
          min={0}
          max={100_000}
          unit={unit}
          slider={[0, shorter / 4]}
          onChange={set}
          onDrag={onDrag}
        />
      );
    if (as === 'share')
      return (
        <NumberField
          key={key}
          label={label}
          value={percent(value)}
          min={percent(min)}
          max={percent(max)}
          unit="%"
          slider={[percent(min), percent(max)]}
          onChange={(v) => set(v / 100)}
          onDrag={onDrag}
        />
      );
    const whole = step === undefined;
    return (
      <NumberField
        key={key}
        label={label}
        value={value}
        min={min}
        max={max}
        step={step ?? 1}
        slider={[min, Math.min(max, 24)]}
        onChange={(v) => set(whole ? Math.round(v) : v)}
        onDrag={onDrag}
      />
    );
  });
}
