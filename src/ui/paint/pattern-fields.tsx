'use client';
import type { PatternPaint } from '@/core/paint';
import { stepIn } from '@/core/template';
import { PictureField } from '../pictures/picture-field';
import { NumberField } from '../shared/number-field';
import { RunsField, type LaidFieldsProps } from './laid';

/** Which picture is laid side by side, and how large. */
export function PatternFields({ paint, isLine, unit, side, onChange, onDrag }: LaidFieldsProps<PatternPaint>) {
  return (
    <>
      <PictureField picture={paint.picture} onChange={(picture) => onChange({ ...paint, picture })} />
      <NumberField
        label="Each wide"
        value={paint.size}
        min={0.1}
        max={100_000}
        unit={unit}
        step={Math.min(side < 200 ? 0.1 : 1, stepIn(unit))}
        slider={[side / 100, side / 2]}
        onChange={(size) => onChange({ ...paint, size })}
        onDrag={onDrag}
      />
      {isLine && <RunsField lies={paint.lies} onChange={(lies) => onChange({ ...paint, lies })} />}
      {paint.lies === 'flat' && (
        <NumberField
          label="Turned"
          value={paint.angle}
          min={-360}
          max={360}
          unit="°"
          slider={[-180, 180]}
          onChange={(angle) => onChange({ ...paint, angle })}
          onDrag={onDrag}
        />
      )}
    </>
  );
}
