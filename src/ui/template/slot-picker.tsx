'use client';
import type { Template } from '@/core/template';
import { SelectField } from '../shared/select-field';
import { setStage } from '../stage/stage-state';

/** Which slot is worked on. */
export function SlotPicker({ template, slot }: { readonly template: Template; readonly slot: number }) {
  return (
    <div className="side-block">
      <SelectField
        label="Slot"
        value={String(slot)}
        onChange={(i) => setStage({ slot: Number(i), part: null, layer: null })}
      >
        {template.slots.map(({ name }, i) => (
          <option key={name} value={i}>
            {name}
          </option>
        ))}
      </SelectField>
    </div>
  );
}
