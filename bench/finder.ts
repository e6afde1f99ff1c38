/** How far off the finder of subjects is, on scenes whose subjects are known, and how many turned faces are found. */
import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync } from 'node:fs';
import sharp from 'sharp';
import { openPhoto } from '../src/server/intake/open';
import { lookAt } from '../src/server/looking';
import { composites } from './composites';
import { facesIn } from '../src/server/looking/faces';
import { levelsOf } from '../src/server/looking/picture';
import {
  apartOf,
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

const SETS: readonly SceneSet[] = ['plain', 'plain, unseen', 'busy', 'busy, unseen'];

/** Scenes of the generator, and things before real photographs. */
export async function measureFinder(): Promise<Record<string, Accuracy>> {
  const scenes = knownScenes();
  const joined = (await composites()).map(({ file, part, ...known }) => ({ known: { ...known, file, plain: false } as Known, path: file, part })); // prettier-ignore
  const sets: Record<string, Accuracy> = {};
  for (const set of SETS) sets[`scenes, ${set}`] = await accuracyOf(scenes.filter((scene) => scene.set === set));
  for (const part of ['tuned', 'measured'] as const)
    sets[`composites, ${part === 'tuned' ? 'tuned on' : 'unseen'}`] = await accuracyOf(joined.filter((one) => one.part === part)); // prettier-ignore
  return sets;
}

export type FacesFound = {
  readonly portraits: number;
  /** By degrees clockwise: portraits in which exactly one face was found. */
  readonly turned: Readonly<Record<number, number>>;
  readonly pots: number;
  /** Pots in which one was seen. */
  readonly seenInPots: number;
  /** Faces in photographs of several people, those of them that are found, and what is none. */
  readonly inGroups: { readonly faces: number; readonly found: number; readonly others: number };
};

/**
 * Photographs of several people: samples of an npm package (@vladmandic/face-api, MIT), fetched for the measurement.
 * Their faces were counted by hand; one of the second photograph's is seen from the side.
 */
const GROUPS = { package: '@vladmandic/face-api@1.7.15', folder: 'scratch/groups', faces: [3, 3, 3, 4, 5, 4] } as const;

async function facesInGroups(): Promise<FacesFound['inGroups']> {
  const { folder, faces } = GROUPS;
  if (!existsSync(`${folder}/package`)) {
    mkdirSync(folder, { recursive: true });
    const packed = execFileSync('npm', ['pack', '--silent', GROUPS.package], { cwd: folder, encoding: 'utf8' }).trim();
    execFileSync('tar', ['xzf', packed], { cwd: folder });
  }
  const sum = { faces: 0, found: 0, others: 0 };
  for (const [i, count] of faces.entries()) {
    const found = (await lookAt(`${folder}/package/demo/sample${i + 1}.jpg`)).faces.length;
    sum.faces += count;
    sum.found += Math.min(count, found);
    sum.others += Math.max(0, found - count);
  }
  return sum;
}

const SIDE = 512;

async function facesOf(path: string, turn: number): Promise<number> {
  const upright = await openPhoto(path).resize(SIDE, SIDE, { fit: 'inside' }).removeAlpha().png().toBuffer();
  const { data, info } = await sharp(await sharp(upright).rotate(turn, { background: '#808080' }).png().toBuffer())
    .resize(SIDE, SIDE, { fit: 'inside' })
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return (await facesIn(levelsOf({ data, width: info.width, height: info.height }))).length;
}

/** The real portrait and the modelled ones of the demo, turned every way; then scenes without a face. */
export async function measureFaces(): Promise<FacesFound> {
  const portraits = readdirSync('demo/photos/portraits').map((file) => `demo/photos/portraits/${file}`);
  portraits.push('test-photos/astronaut.jpg');
  const turned: Record<number, number> = {};
  for (let turn = 0; turn < 360; turn += 45) {
    let found = 0;
    for (const path of portraits) if ((await facesOf(path, turn)) === 1) found++;
    turned[turn] = found;
  }
  const pots = knownScenes();
  let seenInPots = 0;
  for (const { path } of pots) if ((await facesOf(path, 0)) > 0) seenInPots++;
  return { portraits: portraits.length, turned, pots: pots.length, seenInPots, inGroups: await facesInGroups() };
}
