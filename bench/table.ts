/** A table of photo data read and matched to a batch, for few and for many rows. */
import { columnOfNames, matchRows, readTable, takeTable } from '../src/core/table';
import { median } from './median';

/** A table as shops keep them, its rows in another order than the photos. */
function tableOf(rows: number): string {
  const lines = Array.from({ length: rows }, (_, i) => {
    const n = (i * 7919) % rows;
    return `A/${n},"Bowl no. ${n}, glazed",A wide bowl with a blue rim number ${n},${n % 90}.50,IMG_${n}.JPG`;
  });
  return ['Article,Title,Alt text,Price,File', ...lines].join('\r\n');
}

/** @returns ms from the text to the changes, and how many photos found their row */
function taken(text: string, photos: readonly { readonly name: string }[]): readonly [ms: number, found: number] {
  const from = performance.now();
  const table = readTable(text, { named: true });
  const column = columnOfNames(table, photos)!;
  const match = matchRows(table, column, photos);
  const wanted = table.columns.map((_, c) => c).filter((c) => c !== column);
  const { changes } = takeTable(table, match, wanted, []);
  return [performance.now() - from, changes.size];
}

export type TableSpeed = { rows: number; ms: number; few: number; fewMs: number; ratio: number };

/** Medians in ms; `ratio` is of the time a row. */
export function measureTable(few: number, rows: number, rounds: number): TableSpeed {
  const times = [few, rows].map((count) => {
    const text = tableOf(count);
    const photos = Array.from({ length: count }, (_, i) => ({ name: `img_${i}.jpg` }));
    return median(
      Array.from({ length: rounds }, () => {
        const [ms, found] = taken(text, photos);
        if (found !== count) throw new Error(`${found} of ${count} photos found their row`);
        return ms;
      }),
    );
  });
  const [fewMs, ms] = times as [number, number];
  return { rows, ms, few, fewMs, ratio: ms / rows / (fewMs / few) };
}
