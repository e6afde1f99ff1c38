/** Files that nothing needs any more: which they are, and taking them away. */
import { inArray, sql } from 'drizzle-orm';
import { opendir, readdir, rm, stat } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { tables } from '../db';
import { demand, type Here } from '../workspace';

const { sights } = tables;

/** Files on the disk, and their bytes together. */
export type Usage = { readonly files: number; readonly bytes: number };
export const NONE: Usage = { files: 0, bytes: 0 };
export const plus = (a: Usage, b: Usage): Usage => ({ files: a.files + b.files, bytes: a.bytes + b.bytes });

type Kept = { readonly path: string; readonly sha256: string };

/**
 * All files of a folder and of those in it; none where it is not there. Folder by folder: Node 20's own recursive way
 * gives no more than the first 32 files of each folder within.
 */
async function* filesIn(folder: string): AsyncGenerator<string> {
  const entries = await opendir(folder).catch(() => null);
  if (!entries) return;
  for await (const entry of entries) {
    const path = join(folder, entry.name);
    if (entry.isFile()) yield path;
    else if (entry.isDirectory()) yield* filesIn(path);
  }
}

/** Files are named by the content of their photo, whatever comes behind it. */
const SUM = /^[0-9a-f]{64}/;

/** Files whose needs are asked for in one query. */
const CHUNK = 500;

async function* chunksOf(here: Here, kind: 'photos' | 'proxies'): AsyncGenerator<readonly Kept[]> {
  let chunk: Kept[] = [];
  for await (const path of filesIn(here.files.kept(kind))) {
    const [sha256] = SUM.exec(basename(path)) ?? [];
    if (!sha256) continue;
    chunk.push({ path, sha256 });
    if (chunk.length < CHUNK) continue;
    yield chunk;
    chunk = [];
  }
  if (chunk.length > 0) yield chunk;
}

/** Originals are needed by batches and by deliveries, which can be made again; proxies by batches alone. */
const NEEDED = {
  photos: sql`
    select sha256 from ${tables.photos} where sha256 in (select value from wanted)
    union select sha256 from ${tables.deliveryPhotos} where sha256 in (select value from wanted)
    union select json_extract(slot.value, '$.sha256') from ${tables.deliveryPhotos}, json_each(${tables.deliveryPhotos}.slots) as slot
      where ${tables.deliveryPhotos}.slots is not null and json_extract(slot.value, '$.sha256') in (select value from wanted)`,
  proxies: sql`select sha256 from ${tables.photos} where sha256 in (select value from wanted)`,
} as const;

async function neededOf(here: Here, kind: 'photos' | 'proxies', files: readonly Kept[]): Promise<ReadonlySet<string>> {
  const sums = JSON.stringify([...new Set(files.map(({ sha256 }) => sha256))]);
  const rows = await here.db.all<{ sha256: string }>(
    sql`with wanted as (select value from json_each(${sums})) ${NEEDED[kind]}`,
  );
  return new Set(rows.map(({ sha256 }) => sha256));
}

const sizeOf = (path: string) => stat(path).then(({ size }) => size, () => 0); // prettier-ignore

async function usageOf(files: readonly Kept[]): Promise<Usage> {
  const sizes = await Promise.all(files.map(({ path }) => sizeOf(path)));
  return { files: files.length, bytes: sizes.reduce((sum, size) => sum + size, 0) };
}

/** What lies on the disk of a kind, and how much of it nothing needs. */
export async function keptUsage(
  here: Here,
  kind: 'photos' | 'proxies',
): Promise<{ readonly all: Usage; readonly unneeded: Usage }> {
  let [all, unneeded] = [NONE, NONE];
  for await (const chunk of chunksOf(here, kind)) {
    const needed = await neededOf(here, kind, chunk);
    all = plus(all, await usageOf(chunk));
    unneeded = plus(unneeded, await usageOf(chunk.filter(({ sha256 }) => !needed.has(sha256))));
  }
  return { all, unneeded };
}

/** What lies in a folder. */
export async function folderUsage(folder: string): Promise<Usage> {
  let usage = NONE;
  for await (const path of filesIn(folder)) usage = plus(usage, { files: 1, bytes: await sizeOf(path) });
  return usage;
}

async function takeAway(here: Here, kind: 'photos' | 'proxies', files: readonly Kept[]): Promise<Usage> {
  const needed = await neededOf(here, kind, files);
  const unneeded = files.filter(({ sha256 }) => !needed.has(sha256));
  const usage = await usageOf(unneeded);
  await Promise.all(unneeded.map(({ path }) => rm(path, { force: true })));
  const sums = unneeded.map(({ sha256 }) => sha256);
  // What was seen in them goes with the proxies that it was seen on.
  if (kind === 'proxies' && sums.length > 0)
    await here.write(async (tx) => void (await tx.delete(sights).where(inArray(sights.sha256, sums))));
  return usage;
}

/** Folders of deliveries that are not there any more, as a kill in the middle of a removal leaves them; a delivery is noted before its folder is made. */
async function takeFoldersAway(here: Here): Promise<Usage> {
  let usage = NONE;
  const names = await readdir(here.files.deliveries()).catch(() => []);
  const rows = await here.db.select({ id: tables.deliveries.id }).from(tables.deliveries);
  const there = new Set(rows.map(({ id }) => String(id)));
  for (const name of names) {
    if (there.has(name) || !/^\d+$/.test(name)) continue;
    const folder = join(here.files.deliveries(), name);
    usage = plus(usage, await folderUsage(folder));
    await rm(folder, { recursive: true, force: true });
  }
  return usage;
}

/**
 * Takes away what nothing needs: originals and proxies that are in no batch and no delivery, and folders of deliveries
 * that were removed. Little at a time, so that nobody waits long.
 *
 * @returns what there was of it
 */
export async function collectUnneeded(here: Here): Promise<Usage> {
  demand(here, 'artist');
  let usage = NONE;
  for (const kind of ['photos', 'proxies'] as const)
    for await (const chunk of chunksOf(here, kind))
      usage = plus(usage, await here.keeping.whileNobodyFinds(() => takeAway(here, kind, chunk)));
  return plus(usage, await takeFoldersAway(here));
}

/** Uploads that broke off with the process: at its start none is under way. */
export const sweepArrivals = (here: Here): Promise<void> => rm(here.files.arrivals(), { recursive: true, force: true });
