/** The cutouts that a batch's photos make: one a photo, or one a group of them. */
import { seated, type Grouped, type InSlot } from '../../core/groups';
import { hasSlots, type Template } from '../../core/template';

/** One photo, or several in their slots. */
type CutoutOf<R> = {
  /** What it is called by: its photo's name, or its group's. */
  readonly name: string;
  /** The first of its own photos. */
  readonly lead: R;
  /** One a slot, null where it has none; null without slots. */
  readonly slots: readonly (InSlot<R> | null)[] | null;
};

/**
 * @param rows in the batch's order, without those that are left out
 */
export function cutoutsOf<R extends Grouped>(template: Template, rows: readonly R[]): CutoutOf<R>[] {
  if (!hasSlots(template)) return rows.map((row) => ({ name: row.name, lead: row, slots: null }));
  return seated(template, rows).flatMap(({ group }, i) =>
    group?.isMade ? [{ name: group.name, lead: rows[i]!, slots: group.seats }] : [],
  );
}
