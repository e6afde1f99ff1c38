/** What lies around an outline. */
import { polygonContour, reversed, type Outline } from './path';

/** The outline of what of a rectangle lies around another outline; the rectangle's corner is at 0, 0. */
export const around = (
  outline: Outline,
  { width, height }: { readonly width: number; readonly height: number },
): Outline => [polygonContour([[0, 0], [width, 0], [width, height], [0, height]]), ...outline.map(reversed)]; // prettier-ignore
