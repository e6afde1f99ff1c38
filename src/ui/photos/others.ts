/** Photos as others have changed them meanwhile, beside one's own changes. */
import type { PhotoChange, PhotoRow } from '@/server/services';
import { withArrived, type PhotoPages } from './photo-pages';

/** Of a photo, which fields somebody else has changed; of its data, those by name. */
type Foreign = { readonly own: ReadonlySet<string>; readonly data: ReadonlySet<string> };

const OWN = ['review', 'handSubject', 'adjustment'] as const;
const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

function foreignIn(known: PhotoRow, row: PhotoRow, pending: PhotoChange | undefined): Foreign {
  const own = OWN.filter((key) => pending?.[key] === undefined && !same(known[key], row[key]));
  const fields = [...new Set([...Object.keys(known.data), ...Object.keys(row.data)])];
  const data = fields.filter((name) => !(name in (pending?.data ?? {})) && known.data[name] !== row.data[name]);
  return { own: new Set(own), data: new Set(data) };
}

/** Rows as the server has them, with one's own changes over them. */
export function withOwn(rows: readonly PhotoRow[], own: readonly PhotoChange[]): PhotoRow[] {
  const by = new Map(own.map((change) => [change.id, change]));
  return rows.map((row) => withPending(row, by.get(row.id)));
}

/** A row with one's own changes that the server has not got. */
function withPending(row: PhotoRow, pending: PhotoChange | undefined): PhotoRow {
  if (!pending) return row;
  const { was: _, data = {}, ...own } = pending;
  const kept = Object.entries({ ...row.data, ...data }).flatMap(([name, text]) => (text === null ? [] : [[name, text] as const])); // prettier-ignore
  return { ...row, ...own, data: Object.fromEntries(kept) };
}

/**
 * The pages with rows as others have made them, one's own changes that wait over them.
 *
 * @returns null where only the server can tell; else the pages, and what others have changed of each photo
 */
export function withOthers(
  data: PhotoPages | undefined,
  rows: readonly PhotoRow[],
  pending: readonly PhotoChange[],
): { readonly pages: PhotoPages; readonly foreign: ReadonlyMap<number, Foreign> } | null {
  if (!data) return null;
  const [mine, theirs] = [new Map(pending.map((one) => [one.id, one])), new Map(rows.map((row) => [row.id, row]))];
  const foreign = new Map<number, Foreign>();
  const pages = data.pages.map((page) => ({
    ...page,
    photos: page.photos.map((known) => {
      const row = theirs.get(known.id);
      if (!row) return known;
      foreign.set(known.id, foreignIn(known, row, mine.get(known.id)));
      return withPending(row, mine.get(known.id));
    }),
  }));
  const arrived = rows.filter(({ id }) => !foreign.has(id));
  const all = arrived.length > 0 ? withArrived({ ...data, pages }, arrived) : { ...data, pages };
  return all && { pages: all, foreign };
}

/** Changes without what others have changed since; null where nothing is left. */
export function withoutForeign(
  changes: readonly PhotoChange[],
  foreign: ReadonlyMap<number, Foreign>,
): readonly PhotoChange[] | null {
  const left = changes.flatMap((change) => {
    const theirs = foreign.get(change.id);
    if (!theirs) return [change];
    const { id, data, ...own } = change;
    const kept = Object.entries(own).filter(([key]) => !theirs.own.has(key));
    const fields = Object.entries(data ?? {}).filter(([name]) => !theirs.data.has(name));
    if (kept.length === 0 && fields.length === 0) return [];
    return [{ ...Object.fromEntries(kept), id, ...(fields.length > 0 && { data: Object.fromEntries(fields) }) }];
  });
  return left.length > 0 ? left : null;
}
