/** What was compiled for a template, kept for the next drawing of it: a few plates and placers, by what they depend on. */
import { placer, type Placer } from '../core/placement';
import { compilePlain, finishOf, photosBehind, picksOf, type Plate } from '../core/plate';
import type { Template } from '../core/template';

/** Sizes of one template that are on screen at a time, and those of the one before. */
const PLATES = 8;
const PLACERS = 4;

/** The most recently used of what is made by key. */
function kept<T>(most: number) {
  const all = new Map<string, T>();
  return (key: string, make: () => T): T => {
    const value = all.get(key) ?? make();
    all.delete(key);
    all.set(key, value);
    if (all.size > most) all.delete(all.keys().next().value!);
    return value;
  };
}

const plates = kept<Plate>(PLATES);
const finishes = kept<Plate['finish']>(PLATES);
const placers = kept<Placer>(PLACERS);

/** The plate for pictures `width` pixels wide; the centring rule does not change it. */
export function plateFor(template: Template, width: number, withBare: boolean): Plate {
  const {
    frame,
    shape,
    mode,
    edge,
    borders,
    shadows,
    reflection,
    mat,
    backdrop,
    behind,
    before,
    filters,
    tints,
    captions,
  } = template;
  const inner = shadows.filter(({ kind }) => kind === 'inner');
  const drop = shadows.filter(({ kind }) => kind !== 'inner');
  // Captions add nothing but the colours that they take from the photo.
  const picks = picksOf(template);
  // How soft and how large photos behind are is no part of the plate.
  const grounds = behind.map((layer) => (layer.show === 'photo' ? [layer.on, layer.opacity] : layer));
  const common = [width, frame, shape, mode, edge, mat, picks];
  const key = JSON.stringify([common, withBare, borders, drop, reflection, backdrop, grounds, before]);
  const plate = plates(key, () => compilePlain(template, width, null, withBare));
  // A slider of the photo's finish leaves all else of the plate as it is.
  const finishKey = JSON.stringify([common, plate.photoWindow, filters, tints, inner]);
  const finish = finishes(finishKey, () => finishOf(template, plate));
  const photos = photosBehind(template, width);
  return {
    ...plate,
    bare: plate.bare && { ...plate.bare, behind: photos },
    finish,
    behind: photos,
    captions: captions.filter(({ on }) => on),
  };
}

/** Where the template puts photos; borders and shadows don't change it. */
export function placerFor(template: Template): Placer {
  const { frame, shape, mode, edge, centring } = template;
  return placers(JSON.stringify([frame, shape, mode, edge, centring]), () => placer(template));
}
