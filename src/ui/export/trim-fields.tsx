'use client';
import type { Output } from '@/core/template';
import { NumberField } from '../shared/number-field';
import { optionsOf, SelectField } from '../shared/select-field';

const WAYS = { none: 'kept', tight: 'cut off', room: 'cut to so much room', square: 'cut to a square' } as const;
type Way = keyof typeof WAYS;

function wayOf(trim: Output['trim']): Way {
  if (typeof trim === 'boolean') return trim ? 'tight' : 'none';
  return trim.square ? 'square' : 'room';
}

/** Room to begin with, as a share of the picture's width. */
const ROOM = 0.02;

type TrimFieldsProps = {
  readonly trim: Output['trim'];
  /** Frame units. */
  readonly pictureWidth: number;
  readonly unit: string;
  readonly onChange: (trim: Output['trim']) => void;
};

/** What becomes of the empty rim round the cutout. */
export function TrimFields({ trim, pictureWidth, unit, onChange }: TrimFieldsProps) {
  const way = wayOf(trim);
  const room = typeof trim === 'boolean' ? Math.round(pictureWidth * ROOM) : trim.room;
  const choose = (next: Way) =>
    onChange(next === 'none' ? false : next === 'tight' ? true : { room, square: next === 'square' });
  return (
    <>
      <SelectField label="Empty rim" value={way} onChange={(next) => choose(next as Way)}>
        {optionsOf(WAYS)}
      </SelectField>
      {typeof trim !== 'boolean' && (
        <NumberField
          label="Room"
          value={trim.room}
          min={0}
          max={pictureWidth}
          unit={unit}
          onChange={(next) => onChange({ ...trim, room: next })}
        />
      )}
    </>
  );
}
