/** Photos that could not be made as large as the others, and what would make all equal. */
import { wantedSize, type Placed } from '../placement';
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
  if (centring.gap !== 'enlarge' || centring.rule === 'middle') return null;
  const over = [...placed].flatMap(({ used, subject, rule }) => {
    const wanted = wantedSize(centring.size, rule);
    const by = subject && wanted && used === 'enlarged' ? subject.size / wanted - 1 : 0;
    return by > limits.offSize ? [{ by, kind: rule === 'face' ? ('face' as const) : ('subject' as const) }] : [];
  });
  if (over.length === 0) return null;
  const mostOf = (some: readonly { by: number }[]) => Math.max(0, ...some.map(({ by }) => by));
  // Rounded up: rounded down, the largest would be enlarged again.
  const larger = (size: number, by: number) => Math.ceil(size * (1 + by) * 1000) / 1000;
  const most = mostOf(over);
  const of = (kind: 'face' | 'subject') => {
    const wanted = wantedSize(centring.size, kind);
    return wanted === null ? null : larger(wanted, mostOf(over.filter((one) => one.kind === kind)));
  };
  const size = typeof centring.size === 'number' ? larger(centring.size, most) : { face: of('face'), subject: of('subject') }; // prettier-ignore
  return {
    count: over.length,
    least: Math.min(...over.map(({ by }) => by)),
    most,
    continued: { ...template, centring: { ...centring, gap: 'extend' } },
    resized: { ...template, centring: { ...centring, size } },
  };
}
