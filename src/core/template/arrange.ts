/** Slots laid out in a frame: in a row, a column, a grid or a ring. */
import { boundsOfOutline, outlineOf, scaleShape, takesAnyProportion, type Shape } from '../shape';
import type { Slot, Template } from './template';
import { tidyIn, type Unit } from './units';

export type Arrangement = {
  readonly as: 'row' | 'column' | 'grid' | 'ring';
  /** Room between two slots, and between slots and the frame, frame units. */
  readonly gap: number;
};

/** Where a slot comes to lie: its middle and its room, frame units. */
type Cell = { readonly cx: number; readonly cy: number; readonly width: number; readonly height: number };

/** Columns that leave the cells of a grid as near to square as they can be. */
function columnsFor(n: number, { width, height }: Template['frame']): number {
  const squareness = (columns: number) => {
    const ratio = width / columns / (height / Math.ceil(n / columns));
    return Math.max(ratio, 1 / ratio) * (1 + (columns * Math.ceil(n / columns) - n) / n);
  };
  return Array.from({ length: n }, (_, i) => i + 1).reduce((best, c) => (squareness(c) < squareness(best) ? c : best));
}

/** Cells in rows; the last row, where it is not full, lies in the middle. */
function gridCells(n: number, columns: number, gap: number, { width, height }: Template['frame']): Cell[] {
  const rows = Math.ceil(n / columns);
  const [w, h] = [(width - (columns + 1) * gap) / columns, (height - (rows + 1) * gap) / rows];
  return Array.from({ length: n }, (_, i) => {
    const row = Math.floor(i / columns);
    const inRow = Math.min(columns, n - row * columns);
    const left = (width - inRow * w - (inRow - 1) * gap) / 2;
    return {
      cx: left + (i % columns) * (w + gap) + w / 2,
      cy: gap + row * (h + gap) + h / 2,
      width: w,
      height: h,
    };
  });
}

/** Squares on a circle, the first on top, clockwise; neighbours are `gap` apart as circles would be. */
function ringCells(n: number, gap: number, { width, height }: Template['frame']): Cell[] {
  const room = Math.min(width, height) - 2 * gap;
  const k = Math.sin(Math.PI / n);
  const side = n === 1 ? room : (room * k - gap) / (1 + k);
  const radius = n === 1 ? 0 : (room - side) / 2;
  return Array.from({ length: n }, (_, i) => {
    const angle = (2 * Math.PI * i) / n;
    return {
      cx: width / 2 + radius * Math.sin(angle),
      cy: height / 2 - radius * Math.cos(angle),
      width: side,
      height: side,
    };
  });
}

/** The cells; null where the gaps leave no room. */
function cellsFor(n: number, { as, gap }: Arrangement, frame: Template['frame']): Cell[] | null {
  const cells =
    as === 'ring'
      ? ringCells(n, gap, frame)
      : gridCells(n, as === 'row' ? n : as === 'column' ? 1 : columnsFor(n, frame), gap, frame);
  return cells.every(({ width, height }) => width > 0 && height > 0) ? cells : null;
}

/** The shape as large as its cell, in its middle; one that can't take any proportion keeps its own. */
function inCell(shape: Shape, cell: Cell, unit: Unit): Shape {
  const { box } = shape;
  const tidy = tidyIn(unit);
  if (takesAnyProportion(shape) && box.angle === 0)
    return { ...shape, box: { ...box, cx: tidy(cell.cx), cy: tidy(cell.cy), width: tidy(cell.width), height: tidy(cell.height) } }; // prettier-ignore
  const [left, top, right, bottom] = boundsOfOutline(outlineOf(shape));
  const k = Math.min(cell.width / (right - left), cell.height / (bottom - top));
  return scaleShape(shape, (v) => tidy(v * k), {
    ...box,
    cx: tidy(cell.cx + (box.cx - (left + right) / 2) * k),
    cy: tidy(cell.cy + (box.cy - (top + bottom) / 2) * k),
    width: tidy(box.width * k),
    height: tidy(box.height * k),
  });
}

/** The slots laid out in the frame; null where the gaps leave no room for them. */
export function arrangedSlots(slots: readonly Slot[], how: Arrangement, frame: Template['frame']): Slot[] | null {
  if (slots.length === 0) return [];
  const cells = cellsFor(slots.length, how, frame);
  return cells && slots.map((slot, i) => ({ ...slot, shape: inCell(slot.shape, cells[i]!, frame.unit) }));
}

/** Which slots go with one that is moved: it alone, those of its set, or all. */
export type Company = 'one' | 'set' | 'all';

/** The slots that go with one of them. */
const goesWith = (slots: readonly Slot[], slot: number, company: Company): ((other: Slot, i: number) => boolean) => {
  const own = slots[slot]?.set ?? null;
  if (company === 'all') return () => true;
  return (other, i) => i === slot || (company === 'set' && own !== null && other.set === own);
};

/** A slot, and those that go with it, moved by as much. */
export function slotsMoved(
  { slots, frame }: Pick<Template, 'slots' | 'frame'>,
  slot: number,
  company: Company,
  [dx, dy]: readonly [dx: number, dy: number],
): Slot[] {
  const goes = goesWith(slots, slot, company);
  const tidy = tidyIn(frame.unit);
  return slots.map((one, i) => {
    if (!goes(one, i)) return one;
    const { box } = one.shape;
    return { ...one, shape: { ...one.shape, box: { ...box, cx: tidy(box.cx + dx), cy: tidy(box.cy + dy) } } };
  });
}
