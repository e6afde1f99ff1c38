'use client';
import type { TexturePaint } from '@/core/paint';
import { stepIn } from '@/core/template';
import { TEXTURES, type TextureKind } from '@/core/texture';
import { SeedField } from '../layers/seed-field';
import { StrengthField } from '../layers/strength-field';
import { NumberField } from '../shared/number-field';
import { SelectField } from '../shared/select-field';
import { anotherTexture } from './textures';
import { RunsField, type LaidFieldsProps } from './laid';

/** Which texture, and its own numbers. */
export function TextureFields({ paint, isLine, unit, side, onChange, onDrag }: LaidFieldsProps<TexturePaint>) {
  const { of } = paint;
  const numbers = of as unknown as Readonly<Record<string, number>>;
  const set = (key: string, value: number) => onChange({ ...paint, of: { ...of, [key]: value } });
  return (
    <>
      <SelectField
        label="Texture"
        value={of.kind}
        onChange={(kind) => onChange(anotherTexture(paint, kind as TextureKind, side, isLine))}
      >
        {Object.values(TEXTURES).map(({ kind, label }) => (
          <option key={kind} value={kind}>
            {label}
          </option>
        ))}
      </SelectField>
      <NumberField
        label="Size"
        value={paint.size}
        min={0.01}
        max={100_000}
        unit={unit}
        step={Math.min(side < 200 ? 0.1 : 1, stepIn(unit))}
        slider={[side / 500, side / 6]}
        onChange={(size) => onChange({ ...paint, size })}
        onDrag={onDrag}
      />
      {Object.entries(TEXTURES[of.kind].labels).map(([key, label]) => (
        <StrengthField key={key} label={label} value={numbers[key]!} onChange={(v) => set(key, v)} onDrag={onDrag} />
      ))}
      {isLine && <RunsField lies={paint.lies} onChange={(lies) => onChange({ ...paint, lies })} />}
      <NumberField
        label={paint.lies === 'along' ? 'Slanted' : 'Turned'}
        value={paint.angle}
        min={-360}
        max={360}
        unit="°"
        slider={paint.lies === 'along' ? [-80, 80] : [-180, 180]}
        onChange={(angle) => onChange({ ...paint, angle })}
        onDrag={onDrag}
      />
      <SeedField seed={paint.seed} onChange={(seed) => onChange({ ...paint, seed })} />
    </>
  );
}
