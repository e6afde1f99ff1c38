/** How far off the finder of subjects is, on scenes whose subjects are known, and how many turned faces are found. */
import { readdirSync } from 'node:fs';
import sharp from 'sharp';
import { openPhoto } from '../src/server/intake/open';
import { lookAt } from '../src/server/looking';
import { facesIn } from '../src/server/looking/faces';
import { levelsOf } from '../src/server/looking/picture';
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
  for (const { known, path, set } of knownScenes()) misses[set].push(missOf(known, await lookAt(path)));
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

export type FacesFound = {
  readonly portraits: number;
  /** By degrees clockwise: portraits in which exactly one face was found. */
  readonly turned: Readonly<Record<number, number>>;
  readonly pots: number;
  /** Pots in which one was seen. */
  readonly seenInPots: number;
};

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
  return { portraits: portraits.length, turned, pots: pots.length, seenInPots };
}
