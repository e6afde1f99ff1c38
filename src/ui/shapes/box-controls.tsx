'use client';
import { resizeBox, type Anchor } from '@/core/outline';
import { SHAPES, type Box, type Shape } from '@/core/shape';
import { readLength, type Template } from '@/core/template';
import { ChoiceField } from '../shared/choice-field';
import { NumberField } from '../shared/number-field';
import { optionsOf, SelectField } from '../shared/select-field';
import { setStage, useStage } from '../stage/stage-state';

type BoxControlsProps = {
  readonly shape: Shape;
  readonly frame: Template['frame'];
  readonly onChange: (box: Partial<Box>) => void;
  readonly onDrag: (active: boolean) => void;
};

/** True where width and height always go together. */
export const isRegular = (shape: Shape) =>
  shape.kind in SHAPES && (SHAPES as Record<string, { regular?: boolean }>)[shape.kind]!.regular === true;

const ANCHORS: Readonly<Record<string, string>> = {
  '0,0': 'the middle',
  '-1,0': 'the left side',
  '1,0': 'the right side',
  '0,-1': 'the top side',
  '0,1': 'the bottom side',
  '-1,-1': 'the left top corner',
  '1,-1': 'the right top corner',
  '-1,1': 'the left bottom corner',
  '1,1': 'the right bottom corner',
};

/** What stays where it is while the size changes. */
function AnchorField() {
  const { anchor } = useStage();
  return (
    <SelectField
      label="Grows from"
      value={anchor.join()}
      onChange={(value) => setStage({ anchor: value.split(',').map(Number) as unknown as Anchor })}
    >
      {optionsOf(ANCHORS)}
    </SelectField>
  );
}

/** Size, place and turn of a shape; lengths may be typed with units and as sums. */
export function BoxControls({ shape, frame, onChange, onDrag }: BoxControlsProps) {
  const { box } = shape;
  const { locked, anchor } = useStage();
  const reader = (whole: number, signed: boolean) => (text: string, value: number) =>
    readLength(text, { value, unit: frame.unit, ppi: frame.ppi, whole, signed });
  const size = (whole: number) => ({ min: 0.01, max: 100_000, unit: frame.unit, read: reader(whole, false), onDrag });
  const place = (whole: number) => ({
    min: -100_000,
    max: 100_000,
    unit: frame.unit,
    slider: [0, whole] as const,
    read: reader(whole, true),
    onDrag,
  });
  const regular = isRegular(shape);
  const resize = (wanted: { width?: number; height?: number }) =>
    onChange(resizeBox(box, wanted, anchor, locked && !regular));
  return (
    <>
      {regular ? (
        <NumberField
          label="Size"
          value={box.width}
          slider={[frame.width * 0.05, Math.max(frame.width, frame.height)]}
          onChange={(v) => resize({ width: v, height: v })}
          {...size(frame.width)}
        />
      ) : (
        <>
          <NumberField
            label="Width"
            value={box.width}
            slider={[frame.width * 0.05, frame.width]}
            onChange={(v) => resize({ width: v })}
            {...size(frame.width)}
          />
          <NumberField
            label="Height"
            value={box.height}
            slider={[frame.height * 0.05, frame.height]}
            onChange={(v) => resize({ height: v })}
            {...size(frame.height)}
          />
          <ChoiceField
            label="Proportion"
            value={locked ? 'locked' : 'free'}
            options={{ free: 'free', locked: 'locked' }}
            onChange={(v) => setStage({ locked: v === 'locked' })}
          />
        </>
      )}
      <AnchorField />
      <NumberField label="Across" value={box.cx} onChange={(v) => onChange({ cx: v })} {...place(frame.width)} />
      <NumberField label="Down" value={box.cy} onChange={(v) => onChange({ cy: v })} {...place(frame.height)} />
      <NumberField
        label="Turned"
        value={box.angle}
        min={-360}
        max={360}
        unit="°"
        slider={[-180, 180]}
        onChange={(v) => onChange({ angle: v })}
        onDrag={onDrag}
      />
      <ChoiceField
        label="Mirrored"
        value={box.mirror ? 'yes' : 'no'}
        options={{ no: 'no', yes: 'left to right' }}
        onChange={(v) => onChange({ mirror: v === 'yes' })}
      />
    </>
  );
}
