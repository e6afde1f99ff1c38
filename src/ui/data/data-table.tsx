'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, type ClipboardEvent, type KeyboardEvent } from 'react';
import { Button } from 'react-bootstrap';
import { fieldKey } from '@/core/fields';
import { isIn, type CellChange } from '@/core/table';
import { pictureOf, ratioOf, wantedFields, type Template } from '@/core/template';
import type { PhotoChange } from '@/server/services';
import type { BenchPhoto } from '../photos/in-slots';
import { MiddleName } from '../shared/middle-name';
import { usePainter } from '../wall/use-painter';
import { bringTable } from './bringing';
import { CellEditor } from './cell-editor';
import { FieldHead } from './field-head';
import { useGrid } from './use-grid';
import type { TableEdits } from './use-table-edits';
import { widthsOf } from './widths';
import { FindingMark } from '../shared/finding-mark';
import { pixelsOf, useDensity } from '../shared/pixels';

const ROW = 38;
const HEAD = 36;
/** Of the picture before a photo's name, CSS pixels. */
const PICTURE = 30;
const NAMES = 230;

type DataTableProps = {
  readonly template: Template;
  /** Without their slots: each photo has a row. */
  readonly photos: readonly BenchPhoto[];
  readonly fields: readonly string[];
  readonly edits: TableEdits;
};

/** Changes of cells as changes of photos. */
function asPhotoChanges(
  photos: readonly BenchPhoto[],
  fields: readonly string[],
  cells: readonly CellChange[],
): PhotoChange[] {
  const byPhoto = new Map<number, Record<string, string | null>>();
  for (const { row, col, value } of cells) {
    const { id } = photos[row]!;
    byPhoto.set(id, { ...byPhoto.get(id), [fields[col]!]: value === '' ? null : value });
  }
  return [...byPhoto].map(([id, data]) => ({ id, data }));
}

/** What to do where there is no field yet. */
function NoFields() {
  return (
    <div
      className="wall-scroll p-4"
      tabIndex={0}
      onPaste={(event) => bringTable({ text: event.clipboardData.getData('text/plain') })}
    >
      <div className="empty">
        <p>
          There is no photo data yet: titles, article numbers, alternative texts, whatever names and captions shall say.
        </p>
        <p className="muted">Drop a CSV file here, paste rows of a spreadsheet, or add a field by hand.</p>
        <Button onClick={() => bringTable('ask')}>Bring in a table…</Button>
      </div>
    </div>
  );
}

/** The photos' data: a row a photo, a column a field. */
export const DataTable = (props: DataTableProps) => (props.fields.length === 0 ? <NoFields /> : <Grid {...props} />);

/** Only the rows in view exist. */
function Grid({ template, photos, fields, edits }: DataTableProps) {
  const scroller = useRef<HTMLDivElement>(null);
  const valueAt = (row: number, col: number) => photos[row]?.data[fields[col]!] ?? '';
  const grid = useGrid({
    rows: photos.length,
    cols: fields.length,
    valueAt,
    onChange: (words, cells) => edits.apply(words, { changes: asPhotoChanges(photos, fields, cells) }),
  });
  const { block, bounds, editing } = grid;
  // oxlint-disable-next-line react/incompatible-library -- the virtualizer's answers change without its identity; nothing here is memoised on it
  const virtual = useVirtualizer({
    count: photos.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    // The heads stay on top of what scrolls below them.
    scrollPaddingStart: HEAD,
    overscan: 6,
  });
  const { toRow, toCol } = block;
  useEffect(() => virtual.scrollToIndex(toRow), [toRow, virtual]);
  useEffect(() => {
    const cell = document.getElementById(`cell-${toRow}-${toCol}`);
    cell?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [toRow, toCol]);

  const items = virtual.getVirtualItems();
  const [first, last] = [items[0]?.index ?? 0, (items.at(-1)?.index ?? -1) + 1];
  const visible = useMemo(() => photos.slice(first, last), [photos, first, last]);
  const ratio = ratioOf(template);
  const { drawn, room } = pixelsOf(pictureOf(template), Math.min(PICTURE, PICTURE / ratio), useDensity());
  const { register } = usePainter(template, drawn, visible);

  const wanted = useMemo(() => new Set(wantedFields(template).map(({ name }) => fieldKey(name))), [template]);
  const widths = useMemo(() => widthsOf(fields, photos), [fields, photos]);
  const columns = `${NAMES}px ${widths.map((width) => `${width}px`).join(' ')}`;
  const across = NAMES + widths.reduce((sum, width) => sum + width, 0);

  const onKeyDown = (event: KeyboardEvent) => {
    const isLetter = event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey;
    if (!isLetter || event.target !== event.currentTarget) return;
    event.preventDefault();
    grid.type(event.key);
  };
  const copy = (event: ClipboardEvent) => {
    if (editing) return;
    event.preventDefault();
    event.clipboardData.setData('text/plain', grid.copied());
  };

  return (
    <div
      ref={(element) => {
        scroller.current = element;
        grid.listen(element);
      }}
      className="data-grid"
      role="grid"
      aria-label="Photo data"
      aria-rowcount={photos.length + 1}
      aria-colcount={fields.length + 1}
      aria-multiselectable
      aria-activedescendant={fields.length > 0 ? `cell-${toRow}-${toCol}` : undefined}
      tabIndex={0}
      onKeyDown={onKeyDown}
      onCopy={copy}
      onCut={(event) => {
        copy(event);
        if (!editing) grid.cut();
      }}
      onPaste={(event) => {
        if (editing) return;
        event.preventDefault();
        grid.paste(event.clipboardData.getData('text/plain'));
      }}
    >
      <div
        className="data-row data-heads"
        role="row"
        aria-rowindex={1}
        style={{ gridTemplateColumns: columns, minWidth: across, height: HEAD }}
      >
        <div className="data-name" role="columnheader" aria-colindex={1}>
          Photo
        </div>
        {fields.map((name, col) => (
          <FieldHead key={name} name={name} col={col} fields={fields} photos={photos} edits={edits} />
        ))}
      </div>
      <div role="rowgroup" style={{ height: virtual.getTotalSize(), position: 'relative', minWidth: across }}>
        {items.map(({ index: row, start }) => {
          const photo = photos[row]!;
          return (
            <div
              key={photo.id}
              className="data-row"
              role="row"
              aria-rowindex={row + 2}
              data-review={photo.review}
              style={{ gridTemplateColumns: columns, position: 'absolute', top: start, height: ROW, minWidth: across }}
            >
              <div className="data-name" role="rowheader" aria-colindex={1} title={photo.name}>
                <canvas ref={register(photo.id)} aria-hidden width={1} height={1} style={room} />
                <MiddleName name={photo.name} />
              </div>
              {fields.map((name, col) => {
                const text = valueAt(row, col);
                const isEdited = editing?.row === row && editing.col === col;
                const lacks = text === '' && wanted.has(fieldKey(name)) && photo.review !== 'out';
                return (
                  <div
                    key={name}
                    id={`cell-${row}-${col}`}
                    className="data-cell"
                    role="gridcell"
                    aria-colindex={col + 2}
                    aria-selected={isIn(bounds, row, col)}
                    data-active={row === toRow && col === toCol}
                    title={text.length > 30 ? text : undefined}
                    onMouseDown={(event) => event.button === 0 && !isEdited && grid.choose(row, col, event.shiftKey)}
                    onMouseEnter={(event) => event.buttons === 1 && !editing && grid.choose(row, col, true)}
                    onDoubleClick={() => grid.begin()}
                  >
                    {isEdited ? (
                      <CellEditor
                        label={`${name} of ${photo.name}`}
                        text={editing.text}
                        onEnd={(value, on) => {
                          grid.end(value, on);
                          scroller.current?.focus({ preventScroll: true });
                        }}
                      />
                    ) : lacks ? (
                      <span className="muted">
                        <FindingMark />
                        wanted
                      </span>
                    ) : (
                      text
                    )}
                  </div>
                );
              })}
            </div>
          );
        })}
      </div>
    </div>
  );
}
