'use client';
/** Names of files that are on their way to a batch, kept by this browser: after a page was left meanwhile the next one can say which did not arrive. */
import { z } from 'zod';
import { createKept } from '../shared/kept';

/** Most names that are kept of a batch. */
const MOST = 5000;
/** Those that have arrived are struck off together, after so long: each is a writing of the whole list. */
const PAUSE_MS = 1000;

type Names = Readonly<Record<string, readonly string[]>>;

const kept = createKept<Names>('expected', z.record(z.string(), z.array(z.string())), {});

/** What earlier pages left behind; this one knows its own transfers. */
const before = kept.now();

const NONE: readonly string[] = [];

/** Names that an earlier page was sending, and that nobody has struck off since. */
export function leftBehind(batchId: number, names: Names = kept.now()): readonly string[] {
  const now = new Set(names[batchId] ?? NONE);
  return (before[batchId] ?? NONE).filter((name) => now.has(name));
}

export const useLeftBehind = (batchId: number): readonly string[] => leftBehind(batchId, kept.useValue());

export const noteExpected = (batchId: number, names: readonly string[]): void =>
  kept.change((all) => ({ ...all, [batchId]: [...(all[batchId] ?? []), ...names].slice(-MOST) }));

/** Strikes names off a batch's list, each once; null all of them. */
function strike(batchId: number, names: readonly string[] | null): void {
  kept.change((all) => {
    const { [String(batchId)]: listed = [], ...others } = all;
    const struck = new Map<string, number>();
    for (const name of names ?? []) struck.set(name, (struck.get(name) ?? 0) + 1);
    const left = listed.filter((name) => {
      const count = struck.get(name) ?? 0;
      if (count > 0) struck.set(name, count - 1);
      return names !== null && count === 0;
    });
    return left.length === 0 ? others : { ...others, [batchId]: left };
  });
}

const arrived = new Map<number, string[]>();
let timer: ReturnType<typeof setTimeout> | undefined;

function strikeArrived(): void {
  clearTimeout(timer);
  timer = undefined;
  for (const [batchId, names] of arrived) strike(batchId, names);
  arrived.clear();
}

/** A file that is no longer on its way. */
export function forgetExpected(batchId: number, name: string): void {
  arrived.set(batchId, [...(arrived.get(batchId) ?? []), name]);
  if (timer !== undefined) return;
  timer = setTimeout(strikeArrived, PAUSE_MS);
  window.addEventListener('pagehide', strikeArrived, { once: true });
}

export const forgetAllExpected = (batchId: number): void => strike(batchId, null);
