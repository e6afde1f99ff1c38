'use client';
import { useMemo, useRef, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import {
  columnOfNames,
  decoded,
  encodingOf,
  ENCODINGS,
  matchRows,
  readTable,
  SEPARATORS,
  takeTable,
  type Encoding,
  type Separator,
} from '@/core/table';
import type { BenchPhoto } from '../photos/in-slots';
import { FileInput } from '../shared/file-input';
import { FormDialog } from '../shared/form-dialog';
import { optionsOf, SelectField } from '../shared/select-field';
import { plural } from '../shared/words';
import { sourceOf, type TableSource } from './bringing';
import { MatchWords } from './match-words';
import { TablePreview } from './table-preview';
import type { TableChange } from './use-table-edits';
import { FindingMark } from '../shared/finding-mark';

type BringTableProps = {
  /** Null where nothing has come yet. */
  readonly source: TableSource | null;
  readonly photos: readonly BenchPhoto[];
  readonly fields: readonly string[];
  readonly onTake: (words: string, change: TableChange) => void;
  readonly onHide: () => void;
};

/** Where a table comes from: a file, or the clipboard. */
function ChooseTable({ onSource }: { readonly onSource: (source: TableSource) => void }) {
  const file = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button variant="plain" onClick={() => file.current?.click()}>
        Choose a file…
      </Button>
      <FileInput
        ref={file}
        label="Table to bring in"
        accept=".csv,.tsv,.tab,.txt,text/csv,text/tab-separated-values,text/plain"
        onFile={(chosen) => void sourceOf(chosen).then(onSource)}
      />
      <Form.Group controlId="pasted-table" className="mt-3">
        <Form.Label>Or paste rows of a spreadsheet here, with the columns’ names</Form.Label>
        <Form.Control
          as="textarea"
          rows={5}
          spellCheck={false}
          onChange={(event) => event.target.value.includes('\n') && onSource({ text: event.target.value })}
        />
        <Form.Text>CSV or TSV. One column names the photos’ files; all others become fields.</Form.Text>
      </Form.Group>
    </>
  );
}

/** A table before it is taken: how it was read, which rows belong to which photos, and what of it is wanted. */
export function BringTable({ source: first, photos, fields, onTake, onHide }: BringTableProps) {
  const [source, setSource] = useState(first);
  const [encoding, setEncoding] = useState<Encoding | null>(null);
  const [separator, setSeparator] = useState<Separator | null>(null);
  const [named, setNamed] = useState(true);
  const [column, setColumn] = useState<number | null>(null);
  const [unwanted, setUnwanted] = useState<ReadonlySet<number>>(new Set());
  const guess = useMemo(() => (source && 'bytes' in source ? encodingOf(source.bytes) : 'utf-8'), [source]);
  const table = useMemo(() => {
    if (!source) return null;
    const text = 'text' in source ? source.text : decoded(source.bytes, encoding ?? guess);
    return readTable(text, { separator: separator ?? undefined, named });
  }, [source, encoding, guess, separator, named]);
  const guessed = useMemo(() => table && columnOfNames(table, photos), [table, photos]);
  const names = table && table.columns.length > 0 ? Math.min(column ?? guessed ?? 0, table.columns.length - 1) : null;
  const match = useMemo(
    () => (table && names !== null ? matchRows(table, names, photos) : null),
    [table, names, photos],
  );
  const wanted = table ? table.columns.map((_, c) => c).filter((c) => c !== names && !unwanted.has(c)) : [];
  const taking = table && match && takeTable(table, match, wanted, fields);
  const isEmpty = table !== null && table.rows.length === 0;

  const take = async () => {
    if (!taking) return;
    const changes = [...taking.changes].map(([place, data]) => ({ id: photos[place]!.id, data }));
    onTake(`brought in ${plural(wanted.length, 'field')} for ${plural(changes.length, 'photo')}`, { fields: taking.fields, changes }); // prettier-ignore
    onHide();
  };
  return (
    <FormDialog
      title={source && 'name' in source ? `Bring in “${source.name}”` : 'Bring in a table'}
      action={taking ? `Take in ${plural(wanted.length, 'field')}` : 'Take in'}
      disabled={!taking || wanted.length === 0 || match.rowOf.size === 0}
      size="lg"
      onDo={take}
      onHide={onHide}
    >
      {!source || !table || isEmpty ? (
        <>
          {isEmpty && <p className="text-danger">✕ There are no rows in it, or it is larger than 20 MB.</p>}
          <ChooseTable onSource={setSource} />
        </>
      ) : (
        <>
          <div className="table-reading">
            {'bytes' in source && (
              <SelectField
                label="Encoding"
                value={encoding ?? guess}
                onChange={(value) => setEncoding(value as Encoding)}
              >
                {optionsOf(ENCODINGS)}
              </SelectField>
            )}
            <SelectField
              label="Separator"
              value={table.separator}
              onChange={(value) => setSeparator(value as Separator)}
            >
              {optionsOf(SEPARATORS)}
            </SelectField>
            <SelectField label="Photos are in" value={String(names)} onChange={(value) => setColumn(Number(value))}>
              {table.columns.map((name, c) => (
                <option key={name} value={c}>
                  {name}
                </option>
              ))}
            </SelectField>
            <Form.Check
              id="first-row-names"
              type="checkbox"
              label="The first row names the columns"
              checked={named}
              onChange={(event) => setNamed(event.target.checked)}
            />
          </div>
          {table.faults.map((fault) => (
            <p key={fault} className="small-text mb-1">
              <FindingMark />
              {fault}
            </p>
          ))}
          {match && <MatchWords table={table} column={names!} match={match} photos={photos} />}
          <TablePreview
            table={table}
            names={names}
            fields={fields}
            unwanted={unwanted}
            onWanted={(c, isWanted) =>
              setUnwanted((was) => new Set(isWanted ? [...was].filter((one) => one !== c) : [...was, c]))
            }
          />
          <p className="muted small-text mb-0">Empty cells leave what is there already.</p>
        </>
      )}
    </FormDialog>
  );
}
