/** Paper.js as an independent engine for areas; it asks a canvas what it can blend when it is loaded. */
import paper from 'paper/dist/paper-core.js';

/** Area of what an operation of Paper.js leaves of two path datas, filled non-zero. */
export function paperArea(a: string, op: 'unite' | 'subtract' | 'intersect', b: string): number {
  paper.setup(new paper.Size(1, 1));
  const item = (pathData: string) => new paper.CompoundPath({ pathData, insert: false, fillRule: 'nonzero' });
  return Math.abs((item(a)[op](item(b), { insert: false }) as paper.CompoundPath).area);
}
