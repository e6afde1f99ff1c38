/** How far off what is found by one click, or by a rough box, on photos whose subjects are known and on which nothing was set. */
import { seeded } from '../demo/generator/random';
import { pointedAt } from '../src/core/sight/busy';
import { grabCut } from '../src/server/looking/grab-cut';
import { readied } from '../src/server/looking/point-at';
import { closerIn, SECOND } from '../src/server/looking/salience';
import { knownScenes, percentile } from '../src/server/sight/known-scenes';
import { composites } from './composites';

type Box = readonly [left: number, top: number, width: number, height: number];
type Known = { readonly width: number; readonly height: number; readonly box: readonly number[] };

export type Pointed = {
  readonly times: number;
  /** Shares of them off by at most 3 % and 10 % of the box's longer side, in place and in size. */
  readonly within3: number;
  readonly within10: number;
  /** ms of CPU, median: making a photo ready, and one click on it. */
  readonly ready: number;
  readonly click: number;
  /** Clicks that took longer than 100 ms of CPU, as a share. */
  readonly slow: number;
  /** Photos whose rim stayed wide, so that they were looked at in the larger picture, as a share. */
  readonly larger: number;
};

const CLICKS = 3;
/** A rough box's sides are off by up to this share of its extent. */
const ROUGH = 0.15;

function missOf([l, t, w, h]: Box, [l2, t2, w2, h2]: Box, { width, height }: Known): number {
  const longer = Math.max(w * width, h * height);
  const off = Math.hypot((l2 + w2 / 2 - l - w / 2) * width, (t2 + h2 / 2 - t - h / 2) * height);
  return Math.max(off, Math.abs(Math.max(w2 * width, h2 * height) - longer)) / longer;
}

const cpu = () => {
  const { user, system } = process.cpuUsage();
  return (user + system) / 1000;
};

async function pointedIn(
  photos: readonly { readonly known: Known; readonly path: string }[],
  roughly: boolean,
): Promise<Pointed> {
  const random = seeded(77);
  const between = (a: number, b: number) => a + (b - a) * random();
  const [misses, ready, click]: [number[], number[], number[]] = [[], [], []];
  let larger = 0;
  for (const { known, path } of photos) {
    const before = cpu();
    const made = (await readied(path))!;
    ready.push(cpu() - before);
    if (made.salience.width === SECOND) larger++;
    const ways = { grabCut, closer: (box: Box) => closerIn(made.picture, box) };
    const [left, top, right, bottom] = known.box as [number, number, number, number];
    const [l, t, w, h] = [left / known.width, top / known.height, (right - left) / known.width, (bottom - top) / known.height]; // prettier-ignore
    for (let i = 0; i < CLICKS; i++) {
      // Anywhere within the middle half of the subject.
      const at = [l + w * between(0.25, 0.75), t + h * between(0.25, 0.75)] as const;
      const [a, b, c, d] = [0, 0, 0, 0].map(() => between(-ROUGH, ROUGH)) as [number, number, number, number];
      const rough: Box = [l + a * w, t + b * h, w * (1 - a + c), h * (1 - b + d)];
      const start = cpu();
      const found = await (roughly
        ? pointedAt(made, rough, [], ways)
        : pointedAt(made, null, [{ at, is: 'subject' }], ways));
      click.push(cpu() - start);
      misses.push(found ? missOf([l, t, w, h], found.box, known) : Infinity);
    }
  }
  const within = (limit: number) => misses.filter((miss) => miss <= limit).length / misses.length;
  return {
    times: misses.length,
    within3: within(0.03),
    within10: within(0.1),
    ready: percentile(ready, 0.5),
    click: percentile(click, 0.5),
    slow: click.filter((ms) => ms > 100).length / click.length,
    larger: larger / photos.length,
  };
}

export async function measurePointing(): Promise<Record<string, Pointed>> {
  const scenes = knownScenes().filter(({ set }) => set === 'busy, unseen');
  const joined = (await composites()).filter(({ part }) => part === 'measured').map((known) => ({ known, path: known.file })); // prettier-ignore
  return {
    'one click, scenes': await pointedIn(scenes, false),
    'one click, composites': await pointedIn(joined, false),
    'a rough box, scenes': await pointedIn(scenes, true),
    'a rough box, composites': await pointedIn(joined, true),
  };
}
