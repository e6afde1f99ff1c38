'use client';
/** Names of files that are on their way to a batch, kept by this browser, each page's apart: after one was left meanwhile the next can say which did not arrive. */
import { useEffect } from 'react';
import { z } from 'zod';
import { create } from 'zustand';

/** Most names that are kept of a batch. */
const MOST = 5000;
/** Those that have arrived are struck off together, after so long: each is a writing of the whole list. */
const PAUSE_MS = 1000;

const PREFIX = 'wobrel.expected.';
/** This page's own list; a lock of the same name (W3C Web Locks API) tells others that the page is still there. */
const OWN = `${PREFIX}${Date.now().toString(36)}-${Math.random().toString(36).slice(2)}`;

const namesSchema = z.record(z.string(), z.array(z.string()));
type Names = z.infer<typeof namesSchema>;

function read(key: string): Names {
  try {
    return namesSchema.parse(JSON.parse(localStorage.getItem(key) ?? '{}'));
  } catch {
    return {};
  }
}

function write(key: string, names: Names): void {
  try {
    if (Object.keys(names).length === 0) localStorage.removeItem(key);
    else localStorage.setItem(key, JSON.stringify(names));
  } catch (error) {
    // The browser has no room: what is on its way is only not told after a reload.
    console.error(error);
  }
}

const withoutBatch = (names: Names, batchId: number): Names => {
  const { [String(batchId)]: _, ...others } = names;
  return others;
};

/** Of all pages' lists; none in a browser that keeps nothing. */
function keysHere(): string[] {
  try {
    return Object.keys(localStorage).filter((key) => key.startsWith(PREFIX));
  } catch {
    return [];
  }
}

let isThere = false;

/** Others know this page by its lock until it goes. */
function showPresence(): void {
  if (isThere) return;
  isThere = true;
  void navigator.locks?.request(OWN, () => new Promise<never>(() => {}));
}

/** Lists of pages that are gone; a browser without locks can't tell, and takes all others for gone. */
async function leftKeys(): Promise<string[]> {
  const { held = [] } = (await navigator.locks?.query()) ?? {};
  const there = new Set(held.map(({ name }) => name));
  const others = keysHere().filter((key) => key !== OWN);
  for (const key of others) if (there.has(key)) tellWhenGone(key);
  return others.filter((key) => !there.has(key));
}

const watched = new Set<string>();

/** A page that is being left still has its lock for a moment, and one that is open may go later. */
function tellWhenGone(key: string): void {
  if (watched.has(key)) return;
  watched.add(key);
  void navigator.locks.request(key, async () => void watched.delete(key)).then(findLeft);
}

export const useLeft = create<{ readonly names: Names }>(() => ({ names: {} }));

/** Looks for what pages that are gone have left behind. */
export async function findLeft(): Promise<Names> {
  const names: Names = {};
  for (const key of await leftKeys())
    for (const [batchId, list] of Object.entries(read(key))) names[batchId] = [...(names[batchId] ?? []), ...list];
  useLeft.setState({ names });
  return names;
}

const NONE: readonly string[] = [];

/** Names that a page that is gone was sending to a batch. */
export function useLeftBehind(batchId: number): readonly string[] {
  useEffect(() => void findLeft(), []);
  return useLeft(({ names }) => names[batchId] ?? NONE);
}

export function noteExpected(batchId: number, names: readonly string[]): void {
  showPresence();
  const all = read(OWN);
  write(OWN, { ...all, [batchId]: [...(all[batchId] ?? []), ...names].slice(-MOST) });
}

/** Strikes names off this page's list, each once. */
function strike(batchId: number, names: readonly string[]): void {
  const all = read(OWN);
  const struck = new Map<string, number>();
  for (const name of names) struck.set(name, (struck.get(name) ?? 0) + 1);
  const left = (all[batchId] ?? NONE).filter((name) => {
    const count = struck.get(name) ?? 0;
    if (count > 0) struck.set(name, count - 1);
    return count === 0;
  });
  write(OWN, left.length === 0 ? withoutBatch(all, batchId) : { ...all, [batchId]: left });
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

/** What pages that are gone have left behind for a batch is forgotten. */
export async function forgetLeft(batchId: number): Promise<void> {
  for (const key of await leftKeys()) write(key, withoutBatch(read(key), batchId));
  await findLeft();
}

/** Nothing is remembered of any batch: those of another workspace have the same numbers. */
export function forgetAllExpected(): void {
  for (const key of keysHere()) localStorage.removeItem(key);
}
