/** What an export would make anew since the last one, and why: told before it begins. */
import type { Recipe } from '../db';
import type { Here } from '../workspace';
import { batchRow } from './batches';
import { deliveryFilesOf } from './delivery-files';
import { changedParts } from './recipes';

/** Why a file is made: parts of it that changed, or that there was none. */
export type Why = keyof Recipe | 'new' | 'unknown';

export type DeliveryChanges = {
  /** The delivery that it is compared with; null where there is none. */
  since: { id: number; createdAt: number } | null;
  /** Files that are taken over as they are. */
  same: number;
  /** Files that are made, and the first of them. */
  made: number;
  files: { file: string; why: Why[] }[];
  /** How many files are made for each reason. */
  reasons: Partial<Record<Why, number>>;
  /** Files of then that are no longer made, and the first of them. */
  gone: number;
  goneFiles: string[];
};

/** Files named one by one. */
const LISTED = 200;

/** @throws WobrelError `not-found`, `nothing-to-export` */
export async function deliveryChanges(here: Here, batchId: number): Promise<DeliveryChanges> {
  const { cutouts, last } = await deliveryFilesOf(here, await batchRow(here, batchId), null);
  const identity = (photo: string, output: string) => `${photo}\0${output}`;
  const then = new Map(last?.files.map((old) => [identity(old.photo, old.output), old]));
  const files: DeliveryChanges['files'] = [];
  const reasons: DeliveryChanges['reasons'] = {};
  let same = 0;
  for (const { name, files: planned } of cutouts)
    for (const { output, file, recipe, same: taken } of planned) {
      if (taken) {
        same++;
        continue;
      }
      const old = then.get(identity(name, output.name));
      const why: Why[] = !old ? ['new'] : old.recipe ? [...changedParts(old.recipe, recipe)] : ['unknown'];
      for (const one of why) reasons[one] = (reasons[one] ?? 0) + 1;
      files.push({ file, why });
    }
  const now = new Set(cutouts.flatMap((cutout) => cutout.files.map(({ file }) => file)));
  const goneFiles = (last?.files ?? []).map(({ file }) => file).filter((file) => !now.has(file));
  return {
    since: last && { id: last.id, createdAt: last.createdAt },
    same,
    made: files.length,
    files: files.slice(0, LISTED),
    reasons,
    gone: goneFiles.length,
    goneFiles: goneFiles.slice(0, LISTED),
  };
}
