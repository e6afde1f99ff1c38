/** A photo's subject that is like those pointed at in others. */
import { partOfBox, type FoundSubject, type Raster } from '../../core/sight';
import {
  DOUBTED,
  likenessOf,
  seenAlike,
  standingSubject,
  subjectAlike,
  type Example,
  type Likeness,
} from '../../core/sight/busy';
import { isStrip, looksOf } from './look-at';
import { closerIn, finelyIn } from './salience';

/** A photo or its proxy, and the subject in it that somebody pointed at. */
export type ExampleFile = { readonly path: string; readonly subject: Example['subject'] };

/** Of the examples that were asked for last: a whole series goes by the same. */
let last: { readonly key: string; readonly likeness: Promise<Likeness> } | null = null;

async function likenessIn(examples: readonly ExampleFile[]): Promise<Likeness> {
  const key = JSON.stringify(examples);
  if (last?.key !== key) {
    const read = examples.map(async ({ path, subject }) => ({ picture: (await looksOf(path))[1], subject }));
    const likeness = Promise.all(read).then(likenessOf);
    last = { key, likeness };
    likeness.catch(() => (last = null));
  }
  return last.likeness;
}

/** What stands out where only the surroundings of a box are looked at. */
async function standingAround(whole: Raster, box: FoundSubject['box']) {
  const { salience, within } = await closerIn(whole, box);
  const standing = standingSubject(salience);
  return standing && partOfBox(within, standing.box);
}

/** @param examples at least one */
export async function alikeIn(path: string, examples: readonly ExampleFile[]): Promise<FoundSubject | null> {
  const looks = await looksOf(path);
  if (isStrip(looks)) return null;
  const [whole, half] = looks;
  const found = subjectAlike(await finelyIn(whole), half, await likenessIn(examples));
  // What is doubted already needs no closer look.
  if (!found || found.confidence <= DOUBTED) return found;
  return seenAlike(found, await standingAround(whole, found.box), whole);
}
