import { Form, Table } from 'react-bootstrap';
import { fieldKey } from '@/core/fields';
import type { TableRead } from '@/core/table';

type TablePreviewProps = {
  readonly table: TableRead;
  /** The column of names. */
  readonly names: number | null;
  readonly fields: readonly string[];
  readonly unwanted: ReadonlySet<number>;
  readonly onWanted: (column: number, isWanted: boolean) => void;
};

/** Rows that are shown. */
const ROWS = 5;

/** The first rows of a table, and which of its columns are wanted. */
export function TablePreview({ table, names, fields, unwanted, onWanted }: TablePreviewProps) {
  const known = new Set(fields.map(fieldKey));
  return (
    <div className="table-preview" tabIndex={0} role="region" aria-label="First rows">
      <Table size="sm" className="mb-2">
        <thead>
          <tr>
            {table.columns.map((name, c) => (
              <th key={name} scope="col">
                {c === names ? (
                  <span className="text-nowrap">{name}: the photo</span>
                ) : (
                  <Form.Check
                    id={`take-${c}`}
                    className="text-nowrap"
                    type="checkbox"
                    label={known.has(fieldKey(name)) ? `${name} (is there)` : name}
                    checked={!unwanted.has(c)}
                    onChange={(event) => onWanted(c, event.target.checked)}
                  />
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.rows.slice(0, ROWS).map((row, r) => (
            <tr key={r}>
              {row.map((cell, c) => (
                <td key={c} className={c !== names && unwanted.has(c) ? 'muted' : undefined} title={cell}>
                  {cell}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </Table>
    </div>
  );
}
