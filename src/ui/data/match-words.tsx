import type { Match, TableRead } from '@/core/table';
import { amount, plural } from '../shared/words';
import { FindingMark } from '../shared/finding-mark';

type MatchWordsProps = {
  readonly table: TableRead;
  readonly column: number;
  readonly match: Match;
  readonly photos: readonly { readonly name: string }[];
};

/** Names listed one by one. */
const LISTED = 50;

function Names({ words, names }: { readonly words: string; readonly names: readonly string[] }) {
  if (names.length === 0) return null;
  return (
    <details className="small-text">
      <summary>
        <FindingMark />
        {words}
      </summary>
      <p className="muted mb-1">
        {names.slice(0, LISTED).join(', ')}
        {names.length > LISTED && ` and ${amount(names.length - LISTED)} more`}
      </p>
    </details>
  );
}

/** Which rows found their photos, and which did not, both ways. */
export function MatchWords({ table, column, match, photos }: MatchWordsProps) {
  const rows = (places: readonly number[]) => places.map((row) => table.rows[row]![column] || `row ${row + 2}`);
  const { rowOf, spare, doubled, lacking } = match;
  return (
    <div className="mb-2">
      <p className="mb-1">
        <strong>
          {amount(rowOf.size)} of {plural(photos.length, 'photo')}
        </strong>{' '}
        found in {plural(table.rows.length, 'row')}.
      </p>
      <Names
        words={`${plural(spare.length, 'row')} ${spare.length === 1 ? 'names' : 'name'} no photo`}
        names={rows(spare)}
      />
      <Names
        words={`${plural(doubled.length, 'row')} for photos that have one already: the first counts`}
        names={rows(doubled)}
      />
      <Names
        words={`${plural(lacking.length, 'photo')} without a row`}
        names={lacking.map((place) => photos[place]!.name)}
      />
    </div>
  );
}
