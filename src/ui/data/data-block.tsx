'use client';
import { useEffect, useState } from 'react';
import { Button } from 'react-bootstrap';
import { fieldKey } from '@/core/fields';
import { newFieldName, tableText } from '@/core/table';
import { wantedFields, type Template } from '@/core/template';
import type { BatchDetail } from '@/server/services';
import { useActions } from '../keys/use-keys';
import type { BenchPhoto } from '../photos/in-slots';
import { api } from '../shared/api';
import { NameDialog } from '../shared/name-dialog';
import { saveFile } from '../shared/save-file';
import { WhatIs } from '../shared/what-is';
import { amount, plural } from '../shared/words';
import { setStage, useStage } from '../stage/stage-state';
import { BringTable } from './bring-table';
import { bringTable, useBringing } from './bringing';
import { fieldHelp } from './field-head';
import type { TableEdits } from './use-table-edits';
import { FindingMark } from '../shared/finding-mark';

type DataBlockProps = {
  readonly batch: Pick<BatchDetail, 'id' | 'name' | 'fields'>;
  readonly template: Template;
  readonly photos: readonly BenchPhoto[];
  readonly edits: TableEdits;
};

function dataWords(fields: readonly string[], photos: readonly BenchPhoto[]): string {
  if (fields.length === 0) return 'No fields yet: titles, article numbers, alternative texts from a table.';
  const filled = photos.filter(({ data }) => fields.some((name) => data[name])).length;
  return `${plural(fields.length, 'field')}, ${amount(filled)} of ${plural(photos.length, 'photo')} with data`;
}

/** The batch's photo data: what there is of it, bringing a table in, taking it out. */
export function DataBlock({ batch: { id, name, fields }, template, photos, edits }: DataBlockProps) {
  const source = useBringing((state) => state.source);
  const view = useStage((state) => state.view);
  const [adding, setAdding] = useState<string | null>(null);
  useEffect(() => () => bringTable(null), []);
  const ask = () => bringTable('ask');
  const [trouble, setTrouble] = useState<string | null>(null);
  /** What the photos' own files say of them, as a table to be brought in. */
  const askOwn = async () => {
    setTrouble(null);
    try {
      const { table } = await api<{ table: string }>(`/api/batches/${id}/photo-metadata`);
      if (table === '') setTrouble('No photo’s file says anything of it.');
      else bringTable({ text: table });
    } catch (e) {
      setTrouble((e as Error).message);
    }
  };
  const show = () => setStage({ view: 'table' });
  useActions('page', { viewTable: show, bringTable: ask, addField: () => setAdding('') });
  const known = new Set(fields.map(fieldKey));
  const wanted = wantedFields(template).filter((field) => !known.has(fieldKey(field.name)));
  const add = async (typed: string) => {
    const field = newFieldName(typed, fields);
    edits.apply(`added the field ${field}`, { fields: [...fields, field], changes: [] });
    setAdding(null);
    show();
  };
  const takeOut = () => {
    const rows = photos.map((photo) => [photo.name, ...fields.map((field) => photo.data[field] ?? '')]);
    saveFile(`${name}.csv`, tableText({ columns: ['photo', ...fields], rows }), 'text/csv');
  };
  return (
    <div className="side-block">
      <strong>
        Photo data <WhatIs word="photo data" />
      </strong>
      <p className="muted small-text mb-1">{dataWords(fields, photos)}</p>
      {wanted.map((field) => (
        <p key={field.name} className="small-text mb-1">
          <FindingMark />
          <strong>{`{${field.name}}`}</strong> is asked for by {field.by}, and is no field yet.{' '}
          <Button variant="quiet" onClick={() => setAdding(field.name)}>
            Add it…
          </Button>
        </p>
      ))}
      <div className="d-flex gap-1 flex-wrap">
        <Button variant="plain" className="px-2" onClick={ask}>
          Bring in a table…
        </Button>
        <Button variant="quiet" onClick={() => void askOwn()}>
          From the photos’ files…
        </Button>
        {fields.length > 0 && view !== 'table' && (
          <Button variant="plain" className="px-2" onClick={show}>
            Show the table
          </Button>
        )}
        <Button variant="quiet" onClick={() => setAdding('')}>
          Add a field…
        </Button>
        {fields.length > 0 && (
          <Button variant="quiet" onClick={takeOut}>
            Save as CSV
          </Button>
        )}
      </div>
      {(edits.error ?? trouble) && <p className="text-danger small-text mb-0">✕ {edits.error ?? trouble}</p>}
      {source !== null && (
        <BringTable
          source={source === 'ask' ? null : source}
          photos={photos}
          fields={fields}
          onTake={(words, change) => {
            edits.apply(words, change);
            show();
          }}
          onHide={() => bringTable(null)}
        />
      )}
      {adding !== null && (
        <NameDialog
          title="Add a field"
          suggestion={adding}
          help={fieldHelp}
          onSave={add}
          onHide={() => setAdding(null)}
        />
      )}
    </div>
  );
}
