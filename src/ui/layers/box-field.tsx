'use client';
import type { Place } from '@/core/layers';
import type { Template } from '@/core/template';
import { ChoiceField } from '../shared/choice-field';
import { NumberField } from '../shared/number-field';

type BoxFieldProps = {
  readonly label: string;
  readonly box: Place | null;
  readonly frame: Template['frame'];
  readonly onChange: (box: Place | null) => void;
  readonly onDrag: (active: boolean) => void;
};

/** A fifth of the frame's shorter side in its right lower corner: where a maker's mark is mostly wanted. */
function freshBox({ width, height }: Template['frame']): Place {
  const side = Math.round(Math.min(width, height) / 5);
  return { cx: width - side * 0.75, cy: height - side * 0.75, width: side, height: side };
}

/** Where in the frame a layer lies: all over, or in a box of its own. */
export function BoxField({ label, box, frame, onChange, onDrag }: BoxFieldProps) {
  const side = (of: keyof Place, words: string, slider: readonly [number, number], min: number) => (
    <NumberField
      label={words}
      value={box![of]}
      min={min}
      max={100_000}
      unit={frame.unit}
      slider={slider}
      onChange={(v) => onChange({ ...box!, [of]: v })}
      onDrag={onDrag}
    />
  );
  return (
    <>
      <ChoiceField
        label={label}
        value={box ? 'box' : 'all'}
        options={{ all: 'all over', box: 'in a box' }}
        onChange={(v) => onChange(v === 'all' ? null : freshBox(frame))}
      />
      {box && (
        <>
          {side('cx', 'Across', [0, frame.width], -100_000)}
          {side('cy', 'Down', [0, frame.height], -100_000)}
          {side('width', 'Width', [1, frame.width], 0.01)}
          {side('height', 'Height', [1, frame.height], 0.01)}
        </>
      )}
    </>
  );
}
