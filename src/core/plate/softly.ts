/** Outlines of what is blurred. */
import { lightened, type Polygon } from '../shape';

/** Nobody sees what is closer, pixels: a step of 8 bits where an edge is hard. */
const UNSEEN = 0.004;

/** In standard deviations of the Gaussian: where an edge moves by so much, its blur changes by half a step of 8 bits. */
const CLOSE = 1 / 200;

/** Rough outlines as closely as a Gaussian with this standard deviation, pixels, lets them be seen: moving them in or out takes the square of their corners. */
export const softly = (polygons: readonly Polygon[], sigma: number): readonly Polygon[] =>
  lightened(polygons, Math.max(UNSEEN, sigma * CLOSE));
