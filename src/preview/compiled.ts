/** What was compiled for a template, kept for the next drawing of it: a few plates and placers, by what they depend on. */
import { kept } from '../core/kept';
import { placer, type Placer } from '../core/placement';
import { compilePlain, compileSheet, finishOf, letteringKey, letteringOf, photosBehind, picksOf, type Lettering, type Plate } from '../core/plate'; // prettier-ignore
import { hasSlots, type Template } from '../core/template';

/** Pixels of plates: the sizes of one template that are on screen at a time, and those of the one before. */
const PIXELS = 8_000_000;
/** As many plates at the least. */
const PLATES = 8;
const FINISHES = 60;
const PLACERS = 4;
/** Captions on so many cutouts, or more while all their pixels are no more than this. */
const LETTERINGS = 60;
const LETTERING_PIXELS = 4_000_000;
/** What one without any would come to. */
const LEAST_LETTERING = 1000;

/** With all pictures that it is made of. */
const pixelsOf = ({ width, height, made, over }: Plate): number =>
  [...made, ...over.map(({ plate }) => plate)].reduce((sum, one) => sum + pixelsOf(one), width * height);

const plates = kept<Plate>(PLATES, PIXELS, pixelsOf);
const finishes = kept<Plate['finish']>(FINISHES);
const placers = kept<Placer>(PLACERS);
const letterings = kept<Lettering | null>(LETTERINGS, LETTERING_PIXELS, (one) =>
  [one?.letters, one?.mark].reduce((sum, covered) => sum + (covered?.mask?.length ?? 0), LEAST_LETTERING),
);

/** The plate for pictures `width` pixels wide; the centring rule does not change it. Of a template with slots each slot's is kept by itself. */
export const plateFor = (template: Template, width: number, withBare: boolean): Plate =>
  hasSlots(template)
    ? compileSheet(template, width, null, withBare, {
        whole: (one, w, _, bare) => onePlate(one, w, bare !== false),
        bare: (one, w) => onePlate(one, w, 'only'),
      })
    : onePlate(template, width, withBare);

function onePlate(template: Template, width: number, withBare: boolean | 'only'): Plate {
  const {
    frame,
    shape,
    mode,
    edge,
    light,
    borders,
    shadows,
    reflection,
    mat,
    backdrop,
    behind,
    before,
    sets,
    filters,
    tints,
    captions,
  } = template;
  const inner = shadows.filter(({ kind }) => kind === 'inner');
  const drop = shadows.filter(({ kind }) => kind !== 'inner');
  // Captions add nothing but the colours that they take from the photo.
  const picks = picksOf(template);
  // How soft and how large photos behind and on top are is no part of the plate.
  const drawn = (layers: Template['behind'] | Template['before']) =>
    layers.map((layer) => (layer.show === 'photo' ? { ...layer, blur: 0, zoom: 1, filters: null } : layer));
  const { relief, ...outlined } = edge;
  const common = [width, frame, shape, mode, outlined, light, mat, picks];
  const key = JSON.stringify([
    common,
    withBare,
    borders,
    drop,
    reflection,
    backdrop,
    drawn(behind),
    drawn(before),
    sets,
  ]);
  const plate = plates(key, () => compilePlain(template, width, null, withBare));
  // A slider of the photo's finish leaves all else of the plate as it is.
  const finishKey = JSON.stringify([common, relief, plate.photoWindow, filters, tints, inner]);
  const finish = withBare === 'only' ? null : finishes(finishKey, () => finishOf(template, plate));
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
  // How the edge stands in the light moves no photo.
  const outlined = (of: Template['edge']) => ({ ...of, relief: null });
  const slots = template.slots.map((slot) => [slot.shape, outlined(slot.edge), slot.centring]);
  return placers(JSON.stringify([frame, shape, mode, outlined(edge), centring, slots]), () => placer(template));
}

/** A caption's letters on the plate's picture; what they are painted with does not change them. */
export const letteringFor: typeof letteringOf = (plate, caption, fields) =>
  letterings(letteringKey(plate, caption, fields), () => letteringOf(plate, caption, fields));
