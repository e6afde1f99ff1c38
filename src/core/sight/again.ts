/** The second look: at what a cutout shows, not at the photo. */
import { partOfBox } from './body';
import type { Box } from './boxes';
import { partOf } from './busy/part';
import { toLab, type Raster, type Size } from './lab';
import { plainSubject } from './subject';

/** A subject fills so much of a cutout: what is around it is looked at, too. */
const AROUND = 1.5;
/** Pixels of the picture of it: in 256 it saw through no more of what is wrong on plain grounds, and doubted no less of what is right. */
const SIDE = 192;

/** The square around a subject, in shares of the picture, that the second look is at; it may reach beyond the rim. */
export function windowAround([l, t, w, h]: Box, { width, height }: Size, share = AROUND): Box {
  const side = share * Math.max(w * width, h * height);
  const [across, down] = [side / width, side / height];
  return [l + w / 2 - across / 2, t + h / 2 - down / 2, across, down];
}

/** The subject's box by the ground's colour around it, in shares of the picture; null where nothing is unlike it there. */
export function plainAgain(picture: Raster, box: Box): Box | null {
  const { part, within } = partOf(picture, windowAround(box, picture), SIDE);
  const { subject } = plainSubject(toLab(part));
  return subject && partOfBox(within, subject.box);
}
