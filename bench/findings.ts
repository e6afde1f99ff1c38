/** The findings of a large batch: all of them at first, then after one photo was nudged. */
import { watchFindings, type WatchedPhoto } from '../src/core/checks';
import { seededShares } from '../src/core/shape/seeded';
import { parseTemplate } from '../src/core/template';
import { lookAt } from '../src/server/looking';
import { knownScenes } from '../src/server/sight/known-scenes';
import { median } from './median';

export type FindingsSpeed = { photos: number; all: number; nudge: number; twins: number };

/** Milliseconds. The sights are real ones, those of 40 scenes again and again with hashes by lot. */
export async function measureFindings(count: number, rounds: number): Promise<FindingsSpeed> {
  const scenes = knownScenes().slice(0, 40);
  const sights = await Promise.all(scenes.map(({ path }) => lookAt(path, false)));
  const lots = seededShares(7, 2 * count);
  const hex = (share: number) => Math.floor(share * 2 ** 32).toString(16).padStart(8, '0'); // prettier-ignore
  const photos: WatchedPhoto[] = Array.from({ length: count }, (_, i) => ({
    id: i,
    name: `photo-${i}.jpg`,
    width: scenes[i % 40]!.known.width,
    height: scenes[i % 40]!.known.height,
    hasAlpha: false,
    review: 'open',
    sight: { ...sights[i % 40]!, hash: hex(lots[2 * i]!) + hex(lots[2 * i + 1]!) },
  }));
  const template = parseTemplate({ wobrel: 1, name: 'T', centring: { rule: 'subject', size: 0.66, gap: 'extend' }, borders: [{}], outputs: [{ width: 1080 }, { name: 'b', width: 540 }, { name: 'c', width: 600, format: 'jpeg' }] }); // prettier-ignore
  const order = photos.map(({ id }) => id);
  const watch = watchFindings(template);
  const timed = (work: () => unknown) => {
    const from = performance.now();
    work();
    return performance.now() - from;
  };
  const all = timed(() => {
    watch.usePhotos(photos, order);
    watch.changes();
  });
  const nudges = Array.from({ length: rounds }, (_, i) =>
    timed(() => {
      const moved = { ...photos[(i * 97) % count]!, adjustment: { x: 0.01 * (i + 1), y: 0, scale: 1, angle: 0 } };
      watch.usePhotos([moved], order);
      watch.changes();
    }),
  );
  const twins = timed(() => {
    watch.usePhotos([{ ...photos[0]!, review: 'out' }], order);
    watch.changes();
  });
  return { photos: count, all, nudge: median(nudges), twins };
}
