/** Everything that is seen in a photo but faces, from small pictures of it. */
import { brightnessOf, cellsOf, hashOf, lightestOf, lumaOf, sharpnessOf } from './figures';
import { groundColour } from './ground';
import { labToHex, toLab, type Lab, type Raster } from './lab';
import { paletteOf } from './palette';
import { rimOf } from './rim';
import type { FoundSubject, Sight } from './sight';
import { plainSubject, type Plain } from './subject';

/** Grows with every change that finds other subjects: older sights are looked at again. */
export const SIGHT_VERSION = 16;

/** Longest side of the picture that is looked at, pixels. */
export const LOOK_SIZE = 256;

const tidy = (v: number) => Math.round(v * 1e5) / 1e5;

/** What is seen at once: all that needs no other look. */
export type FirstLook = Plain & { readonly raster: Raster; readonly lab: Lab };

/** @param raster about `LOOK_SIZE` on its longer side */
export function firstLook(raster: Raster): FirstLook {
  const lab = toLab(raster);
  return { raster, lab, ...plainSubject(lab) };
}

/** The colours of the photo and its subject, and what would streak at its rim. */
export const coloursOf = (
  { raster, lab }: FirstLook,
  subject: FoundSubject | null,
): Pick<Sight, 'rim' | 'palette'> => ({
  rim: rimOf(lab),
  palette: paletteOf(raster, lab, subject),
});

/**
 * All else, once it is known what the photo is of.
 *
 * @param fine the picture twice as fine, where there is one: at half of it what is a little soft looks sharp
 */
export function sightOf(
  { raster, lab, ground }: FirstLook,
  fine: Raster,
  subject: FoundSubject | null,
): Omit<Sight, 'faces'> {
  const { width, height } = raster;
  const luma = lumaOf(raster);
  const tidyBox = (box: FoundSubject['box']) => box.map(tidy) as unknown as FoundSubject['box'];
  return {
    version: SIGHT_VERSION,
    subject: subject && {
      box: tidyBox(subject.box),
      ...(subject.body && { body: tidyBox(subject.body) }),
      centroid: [tidy(subject.centroid[0]), tidy(subject.centroid[1])],
      area: tidy(subject.area),
      confidence: tidy(subject.confidence),
      mask: subject.mask,
      count: subject.count,
    },
    ground: { colour: labToHex(groundColour(ground)), plain: tidy(ground.plain) },
    sharpness: tidy(sharpnessOf(lumaOf(fine), fine.width, fine.height, subject?.box)),
    brightness: tidy(brightnessOf(luma)),
    lightest: tidy(lightestOf(luma)),
    hash: hashOf(luma, width, height),
    cells: cellsOf(lab),
  };
}
