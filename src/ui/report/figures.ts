/** A batch's figures: how alike its cutouts sit. */
import { bin, extent, nice, quantile, tickStep, ticks } from 'd3-array';
import { CHECKS } from '@/core/checks';
import type { Seated } from '@/core/groups';
import { enlargement, seenAgain } from '@/core/placement';
import { scaleAt, slotTemplate, type Template } from '@/core/template';
import { tableText } from '@/core/table';
import type { PhotoRow } from '@/server/services';
import type { PhotoFindings } from '../checks/photo-findings';

export type PhotoFigures = {
  readonly id: number;
  readonly name: string;
  readonly review: PhotoRow['review'];
  /** Distance of the subject's centre from its spot by the second look, % of the shape's longer side, across and down; null where it saw none. */
  readonly across: number | null;
  readonly down: number | null;
  /** The subject's size by the second look, % of the shape. */
  readonly size: number | null;
  /** The same by the look that placed it. */
  readonly placedOff: number | null;
  readonly placedSize: number | null;
  /** How far the two looks are from each other, % of the shape: in place and in size. */
  readonly apart: number | null;
  readonly apartSize: number | null;
  /** Output pixels a photo pixel, for the widest output. */
  readonly enlarged: number;
  readonly gap: number;
  readonly used: string;
  /** What it was centred by. */
  readonly rule: string;
  readonly findings: readonly string[];
};

export function figuresOf(
  template: Template,
  photos: readonly Seated<PhotoRow>[],
  findings: PhotoFindings,
): PhotoFigures[] {
  const widest = Math.max(...template.outputs.map(({ width }) => width));
  return photos.flatMap((photo): PhotoFigures[] => {
    const placed = findings.placed.get(photo.id);
    if (!placed || photo.review === 'out') return [];
    const { subject, gap, used, rule } = placed;
    const look = seenAgain(photo, placed, slotTemplate(template, photo.slot ?? 0));
    const again = look === 'unseen' ? null : look;
    const percent = (share: number | undefined) => (share === undefined ? null : share * 100);
    return [
      {
        id: photo.id,
        name: photo.name,
        review: photo.review,
        across: percent(again?.off[0]),
        down: percent(again?.off[1]),
        size: percent(again?.size),
        placedOff: percent(subject ? Math.hypot(...subject.off) : undefined),
        placedSize: percent(subject?.size),
        apart: percent(again?.apart.off),
        apartSize: percent(again?.apart.size),
        enlarged: enlargement(placed, scaleAt(template, widest)),
        gap: gap * 100,
        used,
        rule,
        findings: (findings.byPhoto.get(photo.id) ?? []).map(({ check }) => check),
      },
    ];
  });
}

export type Bar = { readonly from: number; readonly label: string; readonly count: number };

/** How many values fall into each of about so many equal steps between numbers that read well. */
export function histogram(values: readonly number[], steps: number, unit: string): Bar[] {
  const [low, high] = extent(values);
  if (low === undefined) return [];
  // Values that are the same but for rounding are one bar.
  if (high - low < 1e-3 * Math.max(1, Math.abs(high)))
    return [{ from: low, label: `${Math.round(low * 100) / 100}${unit}`, count: values.length }];
  const [from, to] = nice(low, high, steps);
  const step = tickStep(from, to, steps);
  const written = (v: number) => v.toFixed(Math.max(0, -Math.floor(Math.log10(step))));
  // The last bar has its upper end, too.
  const between = ticks(from, to, steps).filter((v) => v > from && v < to);
  const bars = bin().domain([from, to]).thresholds(between)(values);
  return bars.map(({ x0, x1, length }) => ({ from: x0!, count: length, label: `${written(x0!)}–${written(x1!)}${unit}` })); // prettier-ignore
}

/** How many photos fail each check. */
export const byCheck = (figures: readonly PhotoFigures[]): Bar[] =>
  CHECKS.filter(({ about }) => about === 'photo')
    .map(({ id, label }, i) => ({ from: i, label, count: figures.filter((f) => f.findings.includes(id)).length }))
    .filter(({ count }) => count > 0);

/** Share of the subjects that their plot is made to hold. */
const HELD = 0.95;

/** The next even end of an axis, in steps that read well. */
function evenReach(v: number): number {
  const step = 10 ** Math.floor(Math.log10(v));
  return [1, 2, 4, 6, 8, 10].map((k) => k * step).find((end) => end >= v) ?? 10 * step;
}

/**
 * Where the subjects that were seen lie around their spot, in a plot from −`reach` to `reach` both ways; those further
 * out lie on its rim, on their own side.
 *
 * @param tolerance % of the shape; the plot holds it twice at the least
 */
export function spotsOf(figures: readonly PhotoFigures[], tolerance: number) {
  const points = figures.flatMap((f) => (f.across === null || f.down === null ? [] : [{ id: f.id, across: f.across, down: f.down, off: Math.hypot(f.across, f.down) }])); // prettier-ignore
  const most = quantile(points, HELD, ({ off }) => off) ?? 0;
  const reach = evenReach(Math.max(2 * tolerance, most * 1.05));
  const within = points.filter(({ off }) => off <= reach);
  const beyond = points
    .filter(({ off }) => off > reach)
    .map((p) => ({ ...p, across: (p.across / p.off) * reach, down: (p.down / p.off) * reach }));
  return { reach, within, beyond };
}

const COLUMNS = ['photo', 'review', 'centred_by', 'off_across_percent', 'off_down_percent', 'size_percent', 'off_as_placed_percent', 'size_as_placed_percent', 'looks_apart_percent', 'sizes_apart_percent', 'enlargement', 'gap_percent', 'used', 'findings']; // prettier-ignore

const written = (value: string | number | null): string =>
  typeof value === 'number' ? String(Math.round(value * 1e6) / 1e6) : (value ?? '');

export function csvOf(figures: readonly PhotoFigures[]): string {
  const rows = figures.map((f) => [f.name, f.review, f.rule, f.across, f.down, f.size, f.placedOff, f.placedSize, f.apart, f.apartSize, f.enlarged, f.gap, f.used, f.findings.join(' ')].map(written)); // prettier-ignore
  return tableText({ columns: COLUMNS, rows });
}
