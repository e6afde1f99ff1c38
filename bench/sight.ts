/** Looking at a photo (subject, faces, figures) beside decoding the same 12 megapixels, on one core. */
import { join } from 'node:path';
import { mkdirSync, rmSync } from 'node:fs';
import sharp from 'sharp';
import { firstLook, sightOf } from '../src/core/sight';
import { lookAt, pictureOf } from '../src/server/looking';
import { halved } from '../src/server/looking/picture';
import { benchPhotos } from './photos';

const FOLDER = 'scratch/bench-sight';

async function cpuOf(work: () => Promise<unknown>): Promise<number> {
  const before = process.cpuUsage();
  await work();
  const { user, system } = process.cpuUsage(before);
  return (user + system) / 1000;
}

export type SightSpeed = {
  readonly photos: number;
  /** Those whose ground does not make it clear what they are of. */
  readonly doubtful: number;
  /** Means, ms of CPU a photo: decoding it, its subject by the ground alone, and all that is seen, by kind of photo and over both. */
  readonly decode: number;
  readonly subject: number;
  readonly plain: number;
  readonly busy: number;
  readonly all: number;
};

const mean = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / Math.max(1, values.length);

/** Looking works on the small proxy, as at intake. */
export async function measureSight(rounds: number, count: number): Promise<SightSpeed> {
  sharp.concurrency(1);
  const paths = await benchPhotos(count);
  mkdirSync(FOLDER, { recursive: true });
  const proxies = await Promise.all(
    paths.map(async (path, i) => {
      const proxy = join(FOLDER, `${i}.jpg`);
      await sharp(path)
        .autoOrient()
        .resize(512, 512, { fit: 'inside' })
        .jpeg({ quality: 95, chromaSubsampling: '4:4:4' })
        .toFile(proxy);
      return proxy;
    }),
  );
  const first = async (path: string) => {
    const { data, width, height } = halved(await pictureOf(path));
    const seen = firstLook({ rgb: data, width, height });
    sightOf(seen, seen.subject);
    return seen.clear;
  };
  // A first round unmeasured: a batch of hundreds runs code that is compiled already.
  const clear: boolean[] = [];
  for (const path of proxies) {
    clear.push(await first(path));
    await lookAt(path);
  }
  const times = { decode: [] as number[], subject: [] as number[], plain: [] as number[], busy: [] as number[] };
  // Way by way within a round: freeing a decoded photo of 36 MB would be counted against what comes next.
  for (let round = 0; round < rounds; round++) {
    for (const path of paths) times.decode.push(await cpuOf(() => sharp(path).autoOrient().raw().toBuffer()));
    for (const proxy of proxies) times.subject.push(await cpuOf(() => first(proxy)));
    for (const [i, proxy] of proxies.entries()) times[clear[i] ? 'plain' : 'busy'].push(await cpuOf(() => lookAt(proxy))); // prettier-ignore
  }
  rmSync(FOLDER, { recursive: true, force: true });
  const doubtful = clear.filter((one) => !one).length;
  const means = { decode: mean(times.decode), subject: mean(times.subject), plain: mean(times.plain), busy: mean(times.busy) }; // prettier-ignore
  return { photos: count, doubtful, ...means, all: mean([...times.plain, ...times.busy]) };
}
