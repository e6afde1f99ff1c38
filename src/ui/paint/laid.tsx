'use client';
import { ChoiceField } from '../shared/choice-field';

/** What the forms of textures and patterns are told. */
export type LaidFieldsProps<P> = {
  readonly paint: P;
  readonly isLine: boolean;
  readonly unit: string;
  /** The frame's shorter side: sizes go by it. */
  readonly side: number;
  readonly onChange: (paint: P) => void;
  readonly onDrag: (active: boolean) => void;
};

type Lies = 'flat' | 'along';
const LIES: Readonly<Record<Lies, string>> = { flat: 'flat', along: 'along it' };

type RunsFieldProps = { readonly lies: Lies; readonly onChange: (lies: Lies) => void };

/** Whether it lies flat on the frame, or runs along a line. */
export const RunsField = ({ lies, onChange }: RunsFieldProps) => (
  <ChoiceField label="Runs" value={lies} options={LIES} onChange={onChange} />
);
