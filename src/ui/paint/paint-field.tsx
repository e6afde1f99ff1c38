'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { isPattern, isPicked, type LinePaint } from '@/core/paint';
import { ChoiceField } from '../shared/choice-field';
import { ColourField } from './colour-field';
import { NumberField } from '../shared/number-field';
import { optionsOf, SelectField } from '../shared/select-field';
import { GradientBar } from './gradient-bar';
import { PatternFields } from './pattern-fields';
import { TextureFields } from './texture-fields';
import { asKind, kindOf, movedStop, type Gradient, type PaintKind, type Stop } from './paint-kinds';

const KINDS: Readonly<Record<PaintKind, string>> = {
  colour: 'one colour',
  picked: 'colour from the photo',
  contour: 'from the edge inwards',
  along: 'along the line',
  linear: 'linear gradient',
  radial: 'radial gradient',
  conic: 'conic gradient',
  texture: 'texture',
  pattern: 'picture as pattern',
};
const FROM = { subject: 'its subject', ground: 'its ground', photo: 'all of it' } as const;
const TONES = { main: 'main', vivid: 'vivid', light: 'light', dark: 'dark' } as const;
const EXTENTS = {
  'farthest-corner': 'the farthest corner',
  'closest-corner': 'the closest corner',
  'farthest-side': 'the farthest side',
  'closest-side': 'the closest side',
} as const;

type PaintFieldProps = {
  readonly label: string;
  readonly paint: LinePaint;
  /** A depth that suits the shape, and the unit of lengths. */
  readonly depth: number;
  readonly unit: string;
  /** The frame's shorter side. */
  readonly side: number;
  /** True for a line, which may change along its length. */
  readonly isLine?: boolean;
  /** True where it may be a picture. */
  readonly takesPattern?: boolean;
  readonly onChange: (paint: LinePaint) => void;
  readonly onDrag: (active: boolean) => void;
};

/** What a kind of gradient has beside its stops. */
function Geometry({
  paint,
  unit,
  depth,
  side,
  isLine,
  onChange,
  onDrag,
}: Omit<PaintFieldProps, 'label' | 'paint' | 'isLine' | 'takesPattern'> & {
  readonly paint: Gradient;
  readonly isLine: boolean;
}) {
  const degrees = { min: -3600, max: 3600, unit: '°', slider: [0, 360] as const, onDrag };
  const share = (label: string, axis: 0 | 1, at: readonly [number, number], set: (at: [number, number]) => void) => (
    <NumberField
      label={label}
      value={Math.round(at[axis] * 1000) / 10}
      min={-1000}
      max={1000}
      unit="%"
      slider={[0, 100]}
      onDrag={onDrag}
      onChange={(v) => set(axis === 0 ? [v / 100, at[1]] : [at[0], v / 100])}
    />
  );
  if (paint.kind === 'along') return null;
  if (paint.kind === 'texture') return <TextureFields {...{ paint, unit, side, isLine, onChange, onDrag }} />;
  if (paint.kind === 'linear')
    return (
      <NumberField
        label="Direction"
        value={paint.angle}
        {...degrees}
        onChange={(angle) => onChange({ ...paint, angle })}
      />
    );
  if (paint.kind === 'contour')
    return (
      <NumberField
        label="Depth"
        value={paint.depth}
        min={0.01}
        max={100_000}
        unit={unit}
        slider={[0, depth * 2]}
        onDrag={onDrag}
        onChange={(next) => onChange({ ...paint, depth: next })}
      />
    );
  return (
    <>
      {share('Middle across', 0, paint.at, (at) => onChange({ ...paint, at }))}
      {share('Middle down', 1, paint.at, (at) => onChange({ ...paint, at }))}
      {paint.kind === 'conic' ? (
        <NumberField
          label="Begins at"
          value={paint.from}
          {...degrees}
          onChange={(from) => onChange({ ...paint, from })}
        />
      ) : (
        <>
          <SelectField
            label="Ends as"
            value={paint.ending}
            onChange={(ending) => onChange({ ...paint, ending: ending as typeof paint.ending })}
          >
            <option value="ellipse">an ellipse</option>
            <option value="circle">a circle</option>
          </SelectField>
          <SelectField
            label="Reaches"
            value={paint.extent}
            onChange={(extent) => onChange({ ...paint, extent: extent as typeof paint.extent })}
          >
            {optionsOf(EXTENTS)}
          </SelectField>
        </>
      )}
    </>
  );
}

/** A colour or a gradient: its kind, its stops, and where it lies. */
export function PaintField({ label, paint, isLine = false, takesPattern = false, ...rest }: PaintFieldProps) {
  const { depth, unit, side, onChange, onDrag } = rest;
  const [stop, setStop] = useState(0);
  const kinds = (
    <SelectField
      label={label}
      value={kindOf(paint)}
      onChange={(kind) => onChange(asKind(paint, kind as PaintKind, { depth, side, isLine }))}
    >
      {Object.entries(KINDS)
        .filter(([kind]) => (isLine || kind !== 'along') && (takesPattern || kind !== 'pattern'))
        .map(([kind, words]) => (
          <option key={kind} value={kind}>
            {words}
          </option>
        ))}
    </SelectField>
  );
  if (typeof paint === 'string')
    return (
      <>
        {kinds}
        <ColourField label="Colour" value={paint} onChange={onChange} onDrag={onDrag} />
      </>
    );
  if (isPicked(paint))
    return (
      <>
        {kinds}
        <ChoiceField
          label="Out of"
          value={paint.from}
          options={FROM}
          onChange={(from) => onChange({ ...paint, from })}
        />
        <ChoiceField
          label="Which"
          value={paint.tone}
          options={TONES}
          onChange={(tone) => onChange({ ...paint, tone })}
        />
      </>
    );
  if (isPattern(paint))
    return (
      <>
        {kinds}
        <PatternFields {...{ paint, unit, side, isLine, onChange, onDrag }} />
      </>
    );
  const { stops } = paint;
  const chosen = Math.min(stop, stops.length - 1);
  const [at, colour] = stops[chosen]!;
  const setStops = (next: Stop[]) => onChange({ ...paint, stops: next });
  const setOne = (next: Stop) => setStops(stops.map((one, k) => (k === chosen ? next : one)));
  return (
    <>
      {kinds}
      <GradientBar stops={stops} chosen={chosen} onChoose={setStop} onChange={setStops} onDrag={onDrag} />
      <ColourField
        label={`Stop ${chosen + 1}`}
        value={colour}
        onChange={(next) => setOne([at, next])}
        onDrag={onDrag}
      />
      <NumberField
        label="Lies at"
        value={Math.round(at * 1000) / 10}
        min={0}
        max={100}
        unit="%"
        onChange={(v) => setStops(movedStop(stops, chosen, v / 100))}
      />
      {stops.length > 2 && (
        <Button variant="quiet" onClick={() => setStops(stops.filter((_, k) => k !== chosen))}>
          Take stop {chosen + 1} out
        </Button>
      )}
      <Geometry paint={paint} isLine={isLine} {...rest} />
    </>
  );
}
