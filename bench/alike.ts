/** How much it helps the doubtful photos of a series that some others of it are pointed at. */
import { alikeIn, lookAt, pointAt, type ExampleFile } from '../src/server/looking';
import type { FoundSubject, Sight } from '../src/core/sight';
import { apartOf, missOf, UNSURE } from '../src/server/sight/known-scenes';
import { isRight } from './finder';
import { allSeries, type OfSeries } from './series';

export type Helped = {
  /** Photos that nobody pointed at whose subject was unsure, or whose two looks disagree. */
  readonly doubted: number;
  /** Those that are off by more than 2 % of the spot or 6 % of the size, before and after. */
  readonly wrongBefore: number;
  readonly wrong: number;
  /** Right before, and wrong after. */
  readonly spoilt: number;
  /** Sure after, and how many of those are off by more than 3 %. */
  readonly sure: number;
  readonly wrongAndSure: number;
};

type Looked = OfSeries & { readonly sight: Sight; readonly isRight: boolean; readonly isDoubted: boolean };

const known = ({ width, height, box, file }: OfSeries) => ({ file, width, height, box: box as [number, number, number, number], plain: false }); // prettier-ignore

/** A subject is placed by however little it is trusted, as one that somebody pointed at. */
const missBy = (photo: OfSeries, sight: Sight, subject: FoundSubject) =>
  missOf(known(photo), { ...sight, subject: { ...subject, confidence: 1 } });

async function looked(photo: OfSeries): Promise<Looked> {
  const sight = await lookAt(photo.file);
  const miss = missOf(known(photo), sight);
  return { ...photo, sight, isRight: isRight(miss), isDoubted: miss.confidence < UNSURE || apartOf(known(photo), sight).finding }; // prettier-ignore
}

/** A photo whose subject somebody drew a box around. */
async function example({ file, width, height, box: [l, t, r, b] }: Looked): Promise<ExampleFile[]> {
  const box = [l! / width, t! / height, (r! - l!) / width, (b! - t!) / height] as const;
  const subject = await pointAt(file, { from: box, told: [] });
  return subject ? [{ path: file, subject }] : [];
}

/** With the first doubtful photos of every series pointed at. */
async function helpedBy(photos: readonly Looked[], count: number): Promise<Helped> {
  const sum = { doubted: 0, wrongBefore: 0, wrong: 0, spoilt: 0, sure: 0, wrongAndSure: 0 };
  for (const series of new Set(photos.map((photo) => photo.series))) {
    const doubted = photos.filter((photo) => photo.series === series && photo.isDoubted);
    const examples = (await Promise.all(doubted.slice(0, count).map(example))).flat();
    if (examples.length === 0) continue;
    for (const photo of doubted.slice(count)) {
      const found = await alikeIn(photo.file, examples);
      const miss = found && missBy(photo, photo.sight, found);
      const right = miss ? isRight(miss) : photo.isRight;
      sum.doubted++;
      if (!photo.isRight) sum.wrongBefore++;
      if (!right) sum.wrong++;
      if (photo.isRight && !right) sum.spoilt++;
      if (!found || found.confidence < UNSURE) continue;
      sum.sure++;
      if (miss!.off > 0.03) sum.wrongAndSure++;
    }
  }
  return sum;
}

export async function measureAlike(): Promise<Record<string, Helped>> {
  const told: Record<string, Helped> = {};
  const all: Looked[] = [];
  for (const photo of await allSeries()) all.push(await looked(photo));
  for (const part of ['tuned', 'measured'] as const)
    for (const count of [1, 2, 3])
      told[`${part === 'tuned' ? 'tuned on' : 'unseen'}, ${count} pointed at`] = await helpedBy(all.filter((photo) => photo.part === part), count); // prettier-ignore
  return told;
}
