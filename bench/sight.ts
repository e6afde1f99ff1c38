/** Looking at a photo (subject, faces, figures) beside decoding the same 12 megapixels, on one core. */
import { join } from 'node:path';
import { mkdirSync, rmSync } from 'node:fs';
import sharp from 'sharp';
import { firstLook, sightOf } from '../src/core/sight';
import { lookAt, pictureOf } from '../src/server/looking';
import { halved, rasterOf } from '../src/server/looking/picture';
import { cpuOf, inTurn } from './cpu';
import { benchPhotos } from './photos';

const FOLDER = 'scratch/bench-sight';

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
    const whole = await pictureOf(path);
    const seen = firstLook(rasterOf(halved(whole)));
    sightOf(seen, rasterOf(whole), seen.subject);
    return seen.clear;
  };
  // A first round unmeasured: a batch of hundreds runs code that is compiled already.
  const clear: boolean[] = [];
  for (const path of proxies) {
    clear.push(await first(path));
    await lookAt(path);
  }
  const times = { decode: [] as number[], subject: [] as number[], plain: [] as number[], busy: [] as number[] };
  const proxiesOf = { plain: proxies.filter((_, i) => clear[i]), busy: proxies.filter((_, i) => !clear[i]) };
  const each = async <T>(list: readonly T[], way: (one: T) => Promise<unknown>) => (await cpuOf(() => inTurn(list, way))) / Math.max(1, list.length); // prettier-ignore
  for (let round = 0; round < rounds; round++) {
    times.decode.push(await each(paths, (path) => sharp(path).autoOrient().raw().toBuffer()));
    times.subject.push(await each(proxies, first));
    for (const kind of ['plain', 'busy'] as const) times[kind].push(await each(proxiesOf[kind], lookAt));
  }
  rmSync(FOLDER, { recursive: true, force: true });
  const doubtful = proxiesOf.busy.length;
  const [decode, subject, plain, busy] = [mean(times.decode), mean(times.subject), mean(times.plain), mean(times.busy)];
  const all = (plain * (count - doubtful) + busy * doubtful) / count;
  return { photos: count, doubtful, decode, subject, plain, busy, all };
}
