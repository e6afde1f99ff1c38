'use client';
/** The table that is being brought in, wherever it came from: a button, a drop, the clipboard. */
import { create } from 'zustand';
import { MAX_TABLE_BYTES } from '@/core/table';

/** A table as it came: a file's bytes, or what was pasted. */
export type TableSource = { readonly name: string; readonly bytes: Uint8Array } | { readonly text: string };

type Bringing = {
  /** Null while none is; `ask` where one is still to be chosen. */
  readonly source: TableSource | 'ask' | null;
};

export const useBringing = create<Bringing>(() => ({ source: null }));

export const bringTable = (source: TableSource | 'ask' | null): void => useBringing.setState({ source });

const isTableFile = ({ name }: File): boolean => /\.(?:csv|tsv|tab)$/i.test(name);

/** A file's bytes; nothing of one that is too large. */
export async function sourceOf(file: File): Promise<TableSource> {
  const bytes = file.size > MAX_TABLE_BYTES ? new ArrayBuffer(0) : await file.arrayBuffer();
  return { name: file.name, bytes: new Uint8Array(bytes) };
}

/** Files that were dropped: photos are taken in, a table is asked about. */
export function takeDrop(files: readonly File[], intake: (photos: readonly File[]) => void, onTable: () => void): void {
  intake(files.filter((file) => !isTableFile(file)));
  const table = files.find(isTableFile);
  if (!table) return;
  onTable();
  void sourceOf(table).then(bringTable);
}
