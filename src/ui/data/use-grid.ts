'use client';
import { useCallback, useState } from 'react';
import {
  blockText,
  boundsOf,
  cellAt,
  cellsOf,
  filledDown,
  fittedBlock,
  movedBlock,
  nextCell,
  pastedCells,
  readBlock,
  type Block,
  type CellChange,
} from '@/core/table';
import { useKeys } from '../keys/use-keys';
import { plural } from '../shared/words';

/** Rows that a page key goes. */
const PAGE = 20;

/** A cell that is being changed, and what it begins with. */
export type Editing = { readonly row: number; readonly col: number; readonly text: string };

type GridProps = {
  readonly rows: number;
  readonly cols: number;
  readonly valueAt: (row: number, col: number) => string;
  readonly onChange: (words: string, changes: readonly CellChange[]) => void;
};

const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
  PageUp: [-PAGE, 0],
  PageDown: [PAGE, 0],
  Home: [0, -Infinity],
  End: [0, Infinity],
};

/** Cells that are chosen, changed, filled, copied and pasted over by keys and by the clipboard. */
export function useGrid({ rows, cols, valueAt, onChange }: GridProps) {
  const [chosen, setBlock] = useState<Block>(cellAt(0, 0));
  const [editing, setEditing] = useState<Editing | null>(null);
  const size = { rows, cols };
  const block = fittedBlock(chosen, size);
  const bounds = boundsOf(block);

  /** Those that are not so already. */
  const change = (words: (cells: string) => string, changes: readonly CellChange[]) => {
    const news = changes.filter(({ row, col, value }) => valueAt(row, col) !== value);
    if (news.length > 0) onChange(words(plural(news.length, 'cell')), news);
  };
  const clear = (words = 'emptied') =>
    change((cells) => `${words} ${cells}`, cellsOf(bounds).map((cell) => ({ ...cell, value: '' }))); // prettier-ignore
  const begin = (text?: string) => {
    const { toRow: row, toCol: col } = block;
    if (cols > 0 && rows > 0) setEditing({ row, col, text: text ?? valueAt(row, col) });
  };

  const listen = useKeys<HTMLDivElement>('table', {
    cell: ({ key, shiftKey }) => setBlock(movedBlock(block, STEPS[key]!, shiftKey, size)),
    edit: () => begin(),
    fillDown: () => change((cells) => `filled ${cells}`, filledDown(block, valueAt)),
    clearCells: () => clear(),
    allCells: () => setBlock({ row: 0, col: 0, toRow: rows - 1, toCol: cols - 1 }),
  });

  return {
    block,
    bounds,
    editing,
    listen,
    choose: useCallback(
      (row: number, col: number, grows: boolean) =>
        setBlock((was) => (grows ? { ...was, toRow: row, toCol: col } : cellAt(row, col))),
      [],
    ),
    begin,
    /** Ends changing a cell; with null it stays as it was. Goes on to the next cell where a direction is given. */
    end: (text: string | null, on: 'down' | 'right' | 'left' | null) => {
      if (!editing) return;
      const { row, col } = editing;
      setEditing(null);
      if (text !== null) change(() => 'changed 1 cell', [{ row, col, value: text }]);
      if (on === 'down') setBlock(movedBlock(cellAt(row, col), [1, 0], false, size));
      else if (on) setBlock(nextCell(cellAt(row, col), on === 'left', size));
    },
    /** A letter that is typed begins a cell anew. */
    type: (letter: string) => begin(letter),
    copied: () =>
      blockText(
        Array.from({ length: bounds.bottom - bounds.top + 1 }, (_, r) =>
          Array.from({ length: bounds.right - bounds.left + 1 }, (_, c) => valueAt(bounds.top + r, bounds.left + c)),
        ),
      ),
    cut: () => clear('cut'),
    paste: (text: string) => {
      const cells = readBlock(text);
      const changes = pastedCells(block, cells, size);
      change((words) => `pasted ${words}`, changes);
      const last = changes.at(-1);
      if (last) setBlock({ row: bounds.top, col: bounds.left, toRow: last.row, toCol: last.col });
    },
  };
}
