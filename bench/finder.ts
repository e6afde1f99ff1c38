/** How far off the finder of subjects is, on scenes whose subjects are known. */
import { lookAt } from '../src/server/looking';
import { composites } from './composites';
import {
  apartOf,
  bodyOff,
  furtherScenes,
  isHandled,
  knownScenes,
  missOf,
  percentile,
  UNSURE,
  type Apart,
  type Miss,
  type SceneSet,
} from '../src/server/sight/known-scenes';

export type Accuracy = {
  readonly photos: number;
  /** Shares of the shape. */
  readonly centreMedian: number;
  readonly centre95: number;
  readonly sizeMedian: number;
  readonly size95: number;
  /** Within 2 % of the spot and 6 % of the size. */
  readonly right: number;
  readonly sure: number;
  /** Off by more than 3 %, and sure. */
  readonly wrongAndSure: number;
  /** Of those that are wrong (beyond 2 % or 6 %) and of those that are right: on how many the second look is so far from the first. */
  readonly seenThrough: {
    readonly wrong: number;
    readonly caught: number;
    readonly right: number;
    readonly doubted: number;
  };
  /** The same by what is a finding: unsure, or looks further apart than the template's limit. */
  readonly found: { readonly caught: number; readonly doubted: number };
};

type Known = Parameters<typeof missOf>[0];

async function accuracyOf(photos: readonly { readonly known: Known; readonly path: string }[]): Promise<Accuracy> {
  const misses: Miss[] = [];
  const apart: Apart[] = [];
  for (const { known, path } of photos) {
    const sight = await lookAt(path);
    misses.push(missOf(known, sight));
    apart.push(apartOf(known, sight));
  }
  const [off, size] = [misses.map((m) => m.off), misses.map((m) => m.size)];
  const sure = misses.filter((m) => m.confidence >= UNSURE);
  return {
    photos: misses.length,
    centreMedian: percentile(off, 0.5),
    centre95: percentile(off, 0.95),
    sizeMedian: percentile(size, 0.5),
    size95: percentile(size, 0.95),
    right: misses.filter(isRight).length,
    sure: sure.length,
    wrongAndSure: sure.filter((m) => m.off > 0.03).length,
    ...secondLook(misses, apart),
  };
}

/** Within 2 % of the spot and 6 % of the size. */
export const isRight = ({ off, size }: { off: number; size: number }) => off <= 0.02 && size <= 0.06;

function secondLook(misses: readonly Miss[], apart: readonly Apart[]): Pick<Accuracy, 'seenThrough' | 'found'> {
  const rows = misses.map((miss, i) => ({
    right: isRight(miss),
    apart: !isRight(apart[i]!),
    finding: miss.confidence < UNSURE || apart[i]!.finding,
  }));
  const count = (of: (row: (typeof rows)[number]) => boolean) => rows.filter(of).length;
  return {
    seenThrough: {
      wrong: count(({ right }) => !right),
      caught: count((row) => !row.right && row.apart),
      right: count(({ right }) => right),
      doubted: count((row) => row.right && row.apart),
    },
    found: { caught: count((row) => !row.right && row.finding), doubted: count((row) => row.right && row.finding) },
  };
}

const SETS: readonly SceneSet[] = ['plain', 'plain, unseen', 'busy', 'busy, unseen', 'busy, unseen, further'];

/** Scenes of the generator, and things before real photographs. */
export async function measureFinder(): Promise<Record<string, Accuracy>> {
  const scenes = [...knownScenes(), ...furtherScenes()];
  const joined = (await composites()).map(({ file, part, ...known }) => ({ known: { ...known, file, plain: false } as Known, path: file, part })); // prettier-ignore
  const sets: Record<string, Accuracy> = {};
  for (const set of SETS) sets[`scenes, ${set}`] = await accuracyOf(scenes.filter((scene) => scene.set === set));
  for (const part of ['tuned', 'measured'] as const)
    sets[`composites, ${part === 'tuned' ? 'tuned on' : 'unseen'}`] = await accuracyOf(joined.filter((one) => one.part === part)); // prettier-ignore
  return sets;
}

/** Of pots with handles, in shares of the shape: how far their bodies' middles lie from the spot across. */
export type Bodies = {
  readonly pots: number;
  readonly byBody: number;
  readonly byBody95: number;
  readonly byBox: number;
  /** By their bodies within 2 %. */
  readonly right: number;
};

/** On unseen busy grounds. */
export async function measureBodies(): Promise<Bodies> {
  const [byBody, byBox]: [number[], number[]] = [[], []];
  for (const { known, path } of furtherScenes()) {
    if (!isHandled(known)) continue;
    const sight = await lookAt(path);
    byBody.push(bodyOff(known, sight, 'body'));
    byBox.push(bodyOff(known, sight, 'box'));
  }
  const right = byBody.filter((off) => off <= 0.02).length;
  const [median, most] = [percentile(byBody, 0.5), percentile(byBody, 0.95)];
  return { pots: byBody.length, byBody: median, byBody95: most, byBox: percentile(byBox, 0.5), right };
}
