/** What lies before everything: pictures and paints over the finished cutout. */
import { coatLayer, type Coat } from './coat';
import { ALPHA, channelsFor, type Others } from './pixel';

/** Rows of it as pixels in the making; null where a row has none. The answer holds until the next call. */
export function frontRows(coats: readonly Coat[], width: number, others: Others): (y: number) => Float32Array | null {
  if (coats.length === 0) return () => null;
  const channels = channelsFor(others);
  const lay = coatLayer(width, channels);
  const row = new Float32Array(width * channels);
  return (y) => {
    row.fill(0);
    for (const coat of coats) lay(coat, 0, y, width, row);
    for (let q = ALPHA; q < row.length; q += channels) if (row[q]! > 0) return row;
    return null;
  };
}
