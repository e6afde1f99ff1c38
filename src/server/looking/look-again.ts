/** The second look at a photo: at the surroundings of what the first one found, by something else, and at another scale. */
import { overlap, plainAgain, windowAround, type Face, type FoundSubject, type SeenAgain } from '../../core/sight';
import { clearIn, type Raster } from '../../core/sight/busy';
import { rasterOf, type Levels } from './picture';

/** The network looks at the surroundings in a picture so large: the size that was best on scenes whose boxes are known. */
const SIDE = 256;

type Found = {
  readonly subject: FoundSubject | null;
  readonly faces: readonly Face[];
  /** Whether the ground alone told the subject (`plainSubject`). */
  readonly clear: boolean;
};

/** Things that the network sees with this share of what it is surest of may be what is looked for. */
const AS_SURE = 0.3;

/** Of what another network sees there about as surely, the thing most like the first one. */
async function detectedAgain(picture: Raster, box: FoundSubject['box']) {
  const { thingsIn } = await import('./detector');
  const things = await thingsIn(picture, SIDE, windowAround(box, picture));
  const [most] = things
    .filter(({ score }) => score >= AS_SURE * things[0]!.score)
    .map((thing) => thing.box)
    .sort((a, b) => overlap(b, box) - overlap(a, box));
  return most ?? null;
}

/** Boxes that overlap less are looked at once more: those of the network that draws them are off by as much where nothing is wrong. */
const SAME = 0.9;

/** What is seen again, along its outline where that is clear and it looked to be elsewhere. */
async function outlinedAgain(picture: Raster, box: FoundSubject['box']) {
  const seen = await detectedAgain(picture, box);
  if (!seen || overlap(seen, box) >= SAME) return seen;
  const { closerIn } = await import('./salience');
  // Around what was seen again, not around what the first look found: that must not tell where to look.
  const { salience, within } = await closerIn(picture, seen);
  return clearIn(salience, within) ?? seen;
}

const tidyBox = (box: FoundSubject['box'] | null) =>
  box && (box.map((v) => Math.round(v * 1e5) / 1e5) as unknown as FoundSubject['box']);

export async function lookAgain(levels: Levels, { subject, faces, clear }: Found): Promise<SeenAgain> {
  const picture = rasterOf(levels[0]);
  const [face] = faces;
  const { faceAgain } = await import('./faces');
  return {
    subject: subject && tidyBox(clear ? plainAgain(picture, subject.box) : await outlinedAgain(picture, subject.box)),
    face: face ? await faceAgain(levels, face) : null,
  };
}
