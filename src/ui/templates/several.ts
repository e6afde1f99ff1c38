/** Templates taken out and brought in several at once. */
import { bringIn, type BroughtIn } from './template-file';
import { filesIn, takeOutAll, type Shown } from './template-zip';
import { cardsPage, type Wanted } from './use-cards';

/** Saves all templates that are wanted as one zip. */
export async function takeOutWanted(wanted: Wanted): Promise<void> {
  const all: Shown[] = [];
  for (let total = 1; all.length < total;) {
    const { cards, sample, total: there } = await cardsPage(wanted, all.length);
    if (cards.length === 0) break;
    for (const { template, open, strip, usedIn } of cards)
      all.push({ template, open, photos: strip.length > 0 ? strip : sample, batch: usedIn[0]?.name ?? '' });
    total = there;
  }
  await takeOutAll(all);
}

/**
 * Reads a template's file, or a zip of several, and has each checked.
 *
 * @throws Error with the file and the field at fault
 */
export async function bringAllIn(file: File): Promise<BroughtIn[]> {
  const files = file.name.toLowerCase().endsWith('.zip') ? await filesIn(file) : [file];
  const brought: BroughtIn[] = [];
  for (const one of files) brought.push(await bringIn(one));
  return brought;
}
