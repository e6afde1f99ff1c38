/** How far off the finder of subjects is, on scenes whose subjects are known. */
import { see } from '../src/server/sight/worker';
import { knownScenes, missOf, percentile, UNSURE, type Miss, type SceneSet } from '../src/server/sight/known-scenes';

export type Accuracy = {
  readonly scenes: number;
  /** Shares of the shape. */
  readonly centreMedian: number;
  readonly centre95: number;
  readonly sizeMedian: number;
  readonly size95: number;
  readonly within2: number;
  /** Scenes that say they are not sure; scenes off by more than 3 % that don't. */
  readonly unsure: number;
  readonly wrongAndSure: number;
};

export async function measureFinder(): Promise<Record<SceneSet, Accuracy>> {
  const misses: Record<SceneSet, Miss[]> = { plain: [], 'plain, unseen': [], busy: [] };
  for (const { known, path, set } of knownScenes()) misses[set].push(missOf(known, await see({ path })));
  const accuracy = (of: readonly Miss[]): Accuracy => {
    const [off, size] = [of.map((m) => m.off), of.map((m) => m.size)];
    return {
      scenes: of.length,
      centreMedian: percentile(off, 0.5),
      centre95: percentile(off, 0.95),
      sizeMedian: percentile(size, 0.5),
      size95: percentile(size, 0.95),
      within2: off.filter((v) => v < 0.02).length,
      unsure: of.filter((m) => m.confidence < UNSURE).length,
      wrongAndSure: of.filter((m) => m.off > 0.03 && m.confidence >= UNSURE).length,
    };
  };
  return {
    plain: accuracy(misses.plain),
    'plain, unseen': accuracy(misses['plain, unseen']),
    busy: accuracy(misses.busy),
  };
}
