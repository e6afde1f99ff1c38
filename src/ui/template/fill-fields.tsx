'use client';
import { use } from 'react';
import { fieldKey } from '@/core/fields';
import type { Template } from '@/core/template';
import { FieldsContext } from '../shared/pattern-field';
import { SelectField } from '../shared/select-field';

type Fill = Template['fill'];

type FieldChoiceProps = { readonly label: string; readonly value: string; readonly onChange: (field: string) => void };

/** One of the batch's fields; one that is not there any more is told. */
function FieldChoice({ label, value, onChange }: FieldChoiceProps) {
  const fields = use(FieldsContext);
  const known = fields.find((name) => fieldKey(name) === fieldKey(value));
  return (
    <SelectField label={label} value={known ?? value} onChange={onChange}>
      <option value="">choose a field</option>
      {value !== '' && !known && <option value={value}>{`${value} (is no field)`}</option>}
      {fields.map((name) => (
        <option key={name} value={name}>
          {name}
        </option>
      ))}
    </SelectField>
  );
}

type FillFieldsProps = { readonly fill: Fill; readonly onFill: (fields: Partial<Fill>) => void };

/** Which fields of the photo data put photos together, and say which slot each fills. */
export const FillFields = ({ fill, onFill }: FillFieldsProps) => (
  <>
    <FieldChoice label="Together by" value={fill.group} onChange={(group) => onFill({ group })} />
    <FieldChoice label="Slot is in" value={fill.slot} onChange={(slot) => onFill({ slot })} />
    <p className="muted small-text">A photo lies in the slot whose name stands in that field.</p>
  </>
);
