/** One photo into all the files that a delivery wants of it. */
import { fieldsOf, type PhotoWords } from '../../core/fields';
import { metadataFor, xmpOf } from '../../core/metadata';
import { rgbInDisplayP3 } from '../../core/paint';
import {
  coloursFor,
  compose,
  composeSheet,
  unmixed,
  NO_PHOTO,
  slotPlates,
  withoutPhotos,
  writeCaptions,
  type PhotoPixels,
  type PickedColours,
  type Plate,
  type SlotPhoto,
  type WorkingParts,
} from '../../core/plate';
import type { Sight } from '../../core/sight';
import { isDisplayP3, keptPart, pictureOf, pixelsPerUnit, type Output, type Template } from '../../core/template';
import type { ColourSpace } from '../intake';
import { sha256Of, writeWhole } from '../store';
import type { Picture } from './encode';
import { layeredFile, type ComposePart } from './layered';
import { photoPixels, type PlacedPhoto } from './photo-pixels';
import { encodeWithin } from './within';

/** An output with the plate for its width, matte and colours, and where its file goes. Its own colours are said in its space. */
export type RenderTarget = { readonly output: Output; readonly plate: Plate; readonly path: string };

/** A photo in its place, and what was seen in it, for colours that are taken from it. */
type PhotoWork = Omit<PlacedPhoto, 'space'> & { readonly sight: Sight | null };

export type RenderWork = {
  readonly template: Pick<Template, 'name' | 'frame' | 'mat' | 'metadata'>;
  /** One, or one a slot; null where a slot has none. */
  readonly photos: readonly (PhotoWork | null)[];
  /** How captions speak of the cutout. */
  readonly words: PhotoWords;
  readonly targets: readonly RenderTarget[];
  /** The plate of the template's widest output where it has several widths: the photo is decoded for that one, whatever is made this time. */
  readonly widest: Plate | null;
};

export type RenderedFile = {
  readonly width: number;
  readonly height: number;
  readonly bytes: number;
  readonly sha256: string;
  /** The quality that its limit of bytes left it; null where nothing had to be found. */
  readonly quality: number | null;
};

/** Pixels per inch of an output: by its size where the frame has a physical one, else what the frame says. */
function densityOf(template: RenderWork['template'], width: number): number {
  const picture = pictureOf(template);
  return picture.unit === 'px' ? picture.ppi : width / (picture.width * pixelsPerUnit(picture.unit, 1));
}

/** Where a picture is composed. */
export type BufferFor = (length: number) => Uint8ClampedArray<ArrayBuffer>;
const newBuffer: BufferFor = (length) => new Uint8ClampedArray(length);

/** Buffers used again and again, for a caller that renders one photo at a time. Large ones are let go. */
export function reusedBuffers(kept = 8, largest = 16_000_000): BufferFor {
  const buffers = new Map<number, Uint8ClampedArray<ArrayBuffer>>();
  return (length) => {
    const known = buffers.get(length);
    if (known) return known;
    const made = newBuffer(length);
    if (length > largest) return made;
    if (buffers.size >= kept) buffers.clear();
    buffers.set(length, made);
    return made;
  };
}

/** What is compiled only where it is wanted. */
export type Compiled = {
  /** A plate once more, with the picture without photo: for the few photos that leave gaps. */
  readonly withBare: (plate: Plate, output: Output) => Plate;
  /** The template as the layers of a working file. */
  readonly working: (output: Output) => WorkingParts;
};

/** Plates of one width that show the photo in the same pixels share them: a matte may leave it more or fewer at its rim. */
const windowKey = ({ width, photoWindow: { left, top, width: w, height: h } }: Plate) =>
  [width, left, top, w, h].join();

/** Gives each photo's pixels on its plate; plates that show it in the same pixels are asked once. */
function pixelsReader(photo: PlacedPhoto, widest: Plate | null): (plate: Plate) => Promise<PhotoPixels> {
  const read = photoPixels(photo, widest);
  const known = new Map<string, PhotoPixels>();
  return async (plate) => {
    const pixels = known.get(windowKey(plate)) ?? (await read(plate));
    known.set(windowKey(plate), pixels);
    return pixels;
  };
}

/** Gives photos' pixels and colours in the space of an output. */
function seenFor({ photos, widest }: RenderWork) {
  const widestPlates = widest && slotPlates(widest);
  const readersIn = (space: ColourSpace) =>
    photos.map((photo, i) => photo && pixelsReader({ ...photo, space }, widestPlates && (widestPlates[i] ?? null)));
  const known = new Map<ColourSpace, ReturnType<typeof readersIn>>();
  return (output: Output) => {
    const space = isDisplayP3(output) ? 'display-p3' : 'srgb';
    const readers = known.get(space) ?? readersIn(space);
    known.set(space, readers);
    return {
      /** The pixels of a slot's photo on a plate; null where there is none. */
      pixels: async (slot: number, plate: Plate): Promise<PhotoPixels | null> => (await readers[slot]?.(plate)) ?? null,
      /** What a plate takes from a slot's photo; left out, from the first that is there. */
      colours: ({ picks }: Plate, slot: number | null = null): PickedColours => {
        const photo = slot === null ? photos.find((one) => one !== null) : photos[slot];
        const colours = coloursFor(picks, photo?.sight);
        return space === 'srgb' ? colours : colours.map(rgbInDisplayP3);
      },
    };
  };
}

type Seen = ReturnType<ReturnType<typeof seenFor>>;

/** Composes the cutout on one plate after the other, without captions. */
function composer(bufferFor: BufferFor, withBare: Compiled['withBare']) {
  return async (plate: Plate, output: Output, seen: Seen): Promise<ComposedCutout> => {
    const pixels: (PhotoPixels | null)[] = [];
    // One after the other: a photo decoded takes more memory than all else.
    for (const [i, own] of slotPlates(plate).entries()) pixels.push(own && (await seen.pixels(i, own)));
    const isFraming = output.content === 'framing';
    const isWhole = pixels.every((own) => own?.opaque ?? true) || slotPlates(plate).every((own) => own?.bare ?? !own);
    const whole = isWhole && !isFraming ? plate : withBare(plate, output);
    const shown = isFraming ? withoutPhotos(whole) : whole;
    // Where there is no photo, none leaves gaps.
    const given = isFraming ? pixels.map((own) => own && { ...own, opaque: true }) : pixels;
    const colours = seen.colours(plate);
    const out = bufferFor(plate.blank.length);
    if (!plate.sheet) return { plain: compose(shown, given[0]!, colours, out), colours };
    const slots = slotPlates(plate).map((own, i): SlotPhoto | null => {
      const photo = given[i];
      return own && photo ? { pixels: photo, colours: seen.colours(own, i) } : null;
    });
    return { plain: composeSheet(shown, slots, colours, out), colours };
  };
}

type ComposedCutout = { readonly plain: Uint8ClampedArray<ArrayBuffer>; readonly colours: PickedColours };

/** Composes a part of a working file; one whose photo is missing shows nothing. */
const partComposer =
  (seen: Seen): ComposePart =>
  async ({ slot }, plate, isBare) => {
    const out = newBuffer(plate.blank.length);
    const pixels = slot === null ? NO_PHOTO : await seen.pixels(slot, plate);
    if (!pixels) return out;
    const given = isBare ? { ...pixels, opaque: true } : pixels;
    return compose(isBare ? withoutPhotos(plate) : plate, given, seen.colours(plate, slot), out);
  };

/** For a caller whose photos leave no gaps and whose outputs keep no layers. */
const HERE: Compiled = {
  withBare: (plate) => plate,
  working: () => {
    throw new RangeError('nothing is at hand that parts a template into layers');
  },
};

/**
 * Renders and writes the targets, plate by plate; the answers are in the targets' order.
 * Targets of the same plate share the composed picture.
 *
 * @throws WobrelError `photo-broken` or `cannot-write`
 */
export async function renderPhoto(
  work: RenderWork,
  bufferFor: BufferFor = newBuffer,
  { withBare, working }: Compiled = HERE,
): Promise<RenderedFile[]> {
  const { template, words, targets } = work;
  const [seenIn, composeOn] = [seenFor(work), composer(bufferFor, withBare)];
  const files: RenderedFile[] = [];
  const isAlike = (a: RenderTarget, b: RenderTarget) => a.plate === b.plate && a.output.content === b.output.content;
  const firsts = targets.filter((target, i) => targets.findIndex((other) => isAlike(other, target)) === i);
  for (const first of firsts) {
    const { plate } = first;
    const { width, height } = plate;
    const seen = seenIn(first.output);
    const { plain, colours } = await composeOn(plate, first.output, seen);
    const ppi = densityOf(template, width);
    for (const [i, target] of targets.entries()) {
      if (!isAlike(target, first)) continue;
      const { output, path } = target;
      // Outputs that share a picture are called differently, and captions may say so.
      const pixels = plate.captions.length > 0 ? plain.slice() : plain;
      const fields = fieldsOf({ ...words, template: template.name, output: output.name, width, height });
      const told = { fields, colours };
      const inked = writeCaptions(plate, told, pixels);
      const part = keptPart(inked, output.trim, plate.scale);
      const xmp = xmpOf(metadataFor(template.metadata, fields));
      const picture: Picture = { pixels, width, height, ppi, xmp };
      const captions = () => {
        const alone = newBuffer(plate.blank.length);
        writeCaptions(plate, told, alone);
        return alone;
      };
      const file =
        output.format === 'ora'
          ? await layeredFile(picture, output, part, {
              parts: working(output),
              hasPhotos: output.content === 'cutout',
              compose: partComposer(seen),
              plain:
                unmixed(plate) === plate
                  ? plain
                  : (await composer(newBuffer, withBare)(unmixed(plate), output, seen)).plain,
              captions: plate.captions.length > 0 ? captions() : null,
            })
          : await encodeWithin(picture, output, part);
      await writeWhole(path, file.data);
      const { width: w, height: h, quality, data } = file;
      files[i] = { width: w, height: h, bytes: data.length, sha256: sha256Of(data), quality };
    }
  }
  return files;
}
