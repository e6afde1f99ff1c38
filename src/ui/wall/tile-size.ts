/** How large cutouts are drawn on the wall. */

type Room = { readonly width: number; readonly height: number };

/** Between cutouts, and around all of them; CSS pixels. */
export const GAP = 12;
export const EDGE = 16;

/** Few photos are drawn no larger than this. */
const LARGEST = 400;
const STEP = 4;

export const columnsFor = (size: number, { width }: Room): number =>
  Math.max(1, Math.floor((width - 2 * EDGE + GAP) / (size + GAP)));

/**
 * The width that cutouts are wanted at: the one that was chosen, or, where there are so
 * few that room would be left, the largest at which all are still in view.
 *
 * @param ratio height of a cutout over its width
 */
export function tileSize(chosen: number, count: number, ratio: number, room: Room): number {
  const fits = (size: number) => {
    const rows = Math.ceil(count / columnsFor(size, room));
    return size <= room.width - 2 * EDGE && rows * (Math.round(size * ratio) + GAP) - GAP <= room.height - 2 * EDGE;
  };
  let size = chosen;
  while (size + STEP <= LARGEST && fits(size + STEP)) size += STEP;
  return size;
}
