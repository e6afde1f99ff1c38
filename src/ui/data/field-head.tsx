'use client';
import { useState } from 'react';
import { Dropdown } from 'react-bootstrap';
import { newFieldName } from '@/core/table';
import type { BenchPhoto } from '../photos/in-slots';
import { NameDialog } from '../shared/name-dialog';
import type { TableEdits } from './use-table-edits';

type FieldHeadProps = {
  readonly name: string;
  readonly col: number;
  readonly fields: readonly string[];
  readonly photos: readonly BenchPhoto[];
  readonly edits: TableEdits;
};

/** What a field's name is for. */
export const fieldHelp = (name: string) =>
  `Names of files, captions and metadata ask for it in braces: {${name || 'Title'}}.`;

/** A field's name over its column, and what can be done with it. */
export function FieldHead({ name, col, fields, photos, edits }: FieldHeadProps) {
  const [renaming, setRenaming] = useState(false);
  const moved = (by: number) => {
    const others = fields.filter((_, i) => i !== col);
    return others.toSpliced(col + by, 0, name);
  };
  const rename = async (typed: string) => {
    const next = newFieldName(typed, fields.filter((_, i) => i !== col)); // prettier-ignore
    setRenaming(false);
    if (next === name) return;
    edits.apply(`renamed ${name} to ${next}`, {
      fields: fields.with(col, next),
      changes: photos
        .filter(({ data }) => data[name] ?? data[next])
        .map(({ id, data }) => ({ id, data: { [name]: null, [next]: data[name] ?? null } })),
    });
  };
  return (
    <div className="data-head" role="columnheader" aria-colindex={col + 2}>
      <Dropdown onKeyDown={(event) => event.stopPropagation()}>
        <Dropdown.Toggle variant="quiet" className="name-line" title={`{${name}} in names, captions and metadata`}>
          {name}
        </Dropdown.Toggle>
        {/* Over the rows, whatever scrolls. */}
        <Dropdown.Menu popperConfig={{ strategy: 'fixed' }} renderOnMount={false}>
          <Dropdown.Item as="button" onClick={() => setRenaming(true)}>
            Rename…
          </Dropdown.Item>
          <Dropdown.Item
            as="button"
            disabled={col === 0}
            onClick={() => edits.apply(`moved ${name}`, { fields: moved(-1), changes: [] })}
          >
            Move to the left
          </Dropdown.Item>
          <Dropdown.Item
            as="button"
            disabled={col === fields.length - 1}
            onClick={() => edits.apply(`moved ${name}`, { fields: moved(1), changes: [] })}
          >
            Move to the right
          </Dropdown.Item>
          <Dropdown.Item
            as="button"
            onClick={() => edits.apply(`took out ${name}`, { fields: fields.filter((_, i) => i !== col), changes: [] })}
          >
            Take out
          </Dropdown.Item>
        </Dropdown.Menu>
      </Dropdown>
      {renaming && (
        <NameDialog
          title={`Rename “${name}”`}
          suggestion={name}
          help={fieldHelp}
          onSave={rename}
          onHide={() => setRenaming(false)}
        />
      )}
    </div>
  );
}
