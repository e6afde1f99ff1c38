/** Photos through a plate, in a worker: the same plate and the same loops as the export. */
import { fieldsOf } from '../core/fields';
import { outsideOf, type Placed, type Placer } from '../core/placement';
import { coloursFor, compose, composeSheet, slotPlates, writeCaptions, type Plate, type SlotPhoto } from '../core/plate'; // prettier-ignore
import { hasSlots, outputHeight, pictureOf, slotTemplate, type Template } from '../core/template';
import { letteringFor, placerFor, plateFor } from './compiled';
import { bringCaptionFonts } from './fonts';
import { bringTemplatePictures } from './pictures';
import { finishedPixels, pixelsBehind, placedPixels } from './placed';
import type { Drawn, PreviewPhoto } from './protocol';

/** What captions say of a photo: as the template's first output would have it. */
function fieldsFor(template: Template, { words = { photo: '', batch: '', index: 1 } }: PreviewPhoto) {
  const { name: output, width } = template.outputs[0]!;
  const height = outputHeight(pictureOf(template), width);
  return fieldsOf({ ...words, template: template.name, output, width, height });
}

/** One photo's pixels and colours on its plate. */
async function onPlateOf(
  template: Template,
  plate: Plate,
  photo: PreviewPhoto,
  placement: Placed,
  isKept: boolean,
): Promise<SlotPhoto> {
  const colours = coloursFor(plate.picks, photo.sight);
  const bare = await placedPixels(photo, placement, plate, outsideOf(template, photo.sight), isKept);
  const seen = finishedPixels(photo, plate, bare, colours);
  return { pixels: { ...seen, behind: await pixelsBehind(photo, placement, plate) }, colours };
}

/** The photos of one cutout: slot by slot, or one alone. */
function photosOf(template: Template, photo: PreviewPhoto): readonly (PreviewPhoto | null)[] {
  if (!hasSlots(template)) return [photo];
  return photo.group?.seats ?? template.slots.map((_, slot) => (slot === (photo.slot ?? 0) ? photo : null));
}

/** What all photos of a round are drawn by. */
type Round = {
  readonly template: Template;
  readonly plate: Plate;
  readonly place: Placer;
  readonly isKept: boolean;
};

async function drawOne({ template, plate, place, isKept }: Round, photo: PreviewPhoto): Promise<Drawn> {
  try {
    const colours = coloursFor(plate.picks, photo.sight);
    const own = slotPlates(plate);
    const photos = await Promise.all(
      photosOf(template, photo).map((one, slot) => {
        const at = own[slot];
        return one && at ? onPlateOf(slotTemplate(template, slot), at, one, place(one), isKept) : null;
      }),
    );
    const pixels = plate.sheet
      ? composeSheet(plate, photos, colours)
      : compose(plate, photos[0]!.pixels, photos[0]!.colours);
    if (plate.captions.length > 0)
      writeCaptions(plate, { fields: fieldsFor(template, photo), colours }, pixels, letteringFor);
    return { id: photo.id, pixels, width: plate.width, height: plate.height };
  } catch (error) {
    return { id: photo.id, error: (error as Error).message };
  }
}

/**
 * Draws all photos; one that fails does not keep back the others, and a template that does is told on each.
 *
 * @param forMean true where only their mean is seen
 */
export async function draw(
  template: Template,
  width: number,
  photos: readonly PreviewPhoto[],
  forMean = false,
): Promise<Drawn[]> {
  try {
    const place = placerFor(template);
    // A photo that is turned or does not reach everywhere may leave pixels without photo at the rim.
    const gaps = photos
      .flatMap((photo) => photosOf(template, photo))
      .some((photo) => {
        if (!photo || slotTemplate(template, photo.slot ?? 0).centring.gap === 'extend') return false;
        const { fadeGap, angle } = place(photo);
        return fadeGap > 0 || angle !== 0;
      });
    await Promise.all([bringCaptionFonts(template), bringTemplatePictures(template)]);
    const plate = plateFor(template, width, gaps);
    // Proxies load side by side; drawing itself is one after the other.
    const round: Round = { template, plate, place, isKept: !forMean };
    return await Promise.all(photos.map((photo) => drawOne(round, photo)));
  } catch (error) {
    return photos.map(({ id }) => ({ id, error: (error as Error).message }));
  }
}
