/** Borders that pins of their own bend: they follow another outline than the rest, and lie on it. */
import type { Border } from '../layers';
import { coverage, type PixelWindow } from '../raster';
import { bandOf, castMaker, coatMaker, type BandScene } from './band';
import { bothCover, type Coat } from './coat';
import { isFree, visibleBorders } from './layers';
import { inSteps } from './steps';

/** Laid within what it covers, besides where it is dashed. */
function within(coat: Coat, window: PixelWindow, covers: Float32Array): Coat {
  const cover = { kind: 'field', field: { ...window, values: inSteps(covers) } } as const;
  return { ...coat, dash: coat.dash ? bothCover(cover, coat.dash) : cover };
}

/**
 * Coats of such bands, each after the shadow that it throws on what is there of the cutout.
 *
 * @param cutout how much of each pixel that is
 */
export function freeBandMaker(borders: readonly Border[], sceneFor: (border: Border) => BandScene) {
  const makers = visibleBorders(borders)
    .filter(isFree)
    .map((border) => {
      const scene = sceneFor(border);
      return {
        covers: bandOf(border, scene),
        coat: coatMaker(border, scene),
        shadow: border.shadow && castMaker(border, scene),
      };
    });
  return (window: PixelWindow, cutout: Float32Array): Coat[] =>
    makers.flatMap(({ covers, coat, shadow }) => [
      ...(shadow ? [within(shadow(window), window, cutout)] : []),
      within(coat(window), window, coverage(covers, window)),
    ]);
}
