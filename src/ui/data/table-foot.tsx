import { Key } from '../keys/key';
import { KEYS } from '../keys/table';
import { plural } from '../shared/words';

type TableFootProps = {
  readonly photos: number;
  readonly fields: number;
  /** Why a change could not be kept. */
  readonly error: string | null;
};

/** Keys of the table, in the order in which they are met. */
const HINTS = [
  ['change', KEYS.edit.shown],
  ['fill down', KEYS.fillDown.shown],
  ['copy, cut, paste', 'Ctrl + C X V'],
  ['empty', KEYS.clearCells.shown],
] as const;

/** Below the table: how much there is, and its keys. */
export const TableFoot = ({ photos, fields, error }: TableFootProps) => (
  <div className="wall-foot">
    <span className="muted">
      {plural(photos, 'photo')} × {plural(fields, 'field')}
    </span>
    {HINTS.map(([does, key]) => (
      <span key={does} className="muted">
        {does} <Key shown={key} />
      </span>
    ))}
    {error && (
      <span className="text-danger" role="alert">
        ✕ {error}
      </span>
    )}
  </div>
);
