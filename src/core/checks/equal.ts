/** Photos that could not be made as large as the others, and what would make all equal. */
import type { Placed } from '../placement';
import type { Template } from '../template';

export type Unequal = {
  /** Photos whose subject is larger than wanted, as the photo was enlarged to reach the edge. */
  readonly count: number;
  /** By how much at least and at most, as shares of the wanted size. */
  readonly least: number;
  readonly most: number;
  /** The template with the photos' ground continued. */
  readonly continued: Template;
  /** The template with the smallest size that every photo has without being enlarged on: so all are alike. */
  readonly resized: Template;
};

/** Null where none differs by more than the limit. */
export function unequalSizes(template: Template, placed: Iterable<Placed>): Unequal | null {
  const { centring, limits } = template;
  const wanted = centring.size;
  if (wanted === null || centring.gap !== 'enlarge' || centring.rule === 'middle') return null;
  const over = [...placed].flatMap(({ used, subject }) => {
    const by = subject && used === 'enlarged' ? subject.size / wanted - 1 : 0;
    return by > limits.offSize ? [by] : [];
  });
  if (over.length === 0) return null;
  const most = Math.max(...over);
  // Rounded up: rounded down, the largest would be enlarged again.
  const size = Math.ceil(wanted * (1 + most) * 1000) / 1000;
  return {
    count: over.length,
    least: Math.min(...over),
    most,
    continued: { ...template, centring: { ...centring, gap: 'extend' } },
    resized: { ...template, centring: { ...centring, size } },
  };
}
