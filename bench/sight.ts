/** Looking at a photo (subject, faces, figures) beside decoding the same 12 megapixels, on one core. */
import { join } from 'node:path';
import { mkdirSync, rmSync } from 'node:fs';
import sharp from 'sharp';
import { look } from '../src/core/sight';
import { lookAt, pictureOf } from '../src/server/looking';
import { halved } from '../src/server/looking/picture';
import { benchPhotos } from './photos';
import { median } from './median';

const FOLDER = 'scratch/bench-sight';

async function cpuOf(work: () => Promise<unknown>): Promise<number> {
  const before = process.cpuUsage();
  await work();
  const { user, system } = process.cpuUsage(before);
  return (user + system) / 1000;
}

export type SightSpeed = { decode: number; subject: number; all: number; subjectRatio: number; allRatio: number };

/** Medians in ms of CPU a photo over interleaved rounds; `subject` without faces. Looking works on the small proxy, as at intake. */
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
  const subjectOnly = async (path: string) => {
    const { data, width, height } = halved(await pictureOf(path));
    return look({ rgb: data, width, height });
  };
  const times: Record<'decode' | 'subject' | 'all', number[]> = { decode: [], subject: [], all: [] };
  // A first round unmeasured: a batch of hundreds runs code that is compiled already.
  for (const path of proxies) {
    await subjectOnly(path);
    await lookAt(path);
  }
  // Way by way within a round: freeing a decoded photo of 36 MB would be counted against what comes next.
  for (let round = 0; round < rounds; round++) {
    for (const path of paths) times.decode.push(await cpuOf(() => sharp(path).autoOrient().raw().toBuffer()));
    for (const proxy of proxies) times.subject.push(await cpuOf(() => subjectOnly(proxy)));
    for (const proxy of proxies) times.all.push(await cpuOf(() => lookAt(proxy)));
  }
  rmSync(FOLDER, { recursive: true, force: true });
  const [decode, subject, all] = [median(times.decode), median(times.subject), median(times.all)];
  return { decode, subject, all, subjectRatio: subject / decode, allRatio: all / decode };
}
