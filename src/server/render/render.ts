/** One photo into all the files that a delivery wants of it. */
import { fieldsOf, type PhotoWords } from '../../core/fields';
import { metadataFor, xmpOf } from '../../core/metadata';
import {
  coloursFor,
  compose,
  composeSheet,
  slotPlates,
  withoutPhotos,
  writeCaptions,
  type PhotoPixels,
  type PickedColours,
  type Plate,
  type SlotPhoto,
} from '../../core/plate';
import type { Sight } from '../../core/sight';
import { keptPart, pictureOf, pixelsPerUnit, type Output, type Template } from '../../core/template';
import { sha256Of, writeWhole } from '../store';
import { encodeWithin } from './within';
import { photoPixels, type PlacedPhoto } from './photo-pixels';

/** An output with the plate for its width and matte, and where its file goes. */
export type RenderTarget = { readonly output: Output; readonly plate: Plate; readonly path: string };

/** A photo in its place, and what was seen in it, for colours that are taken from it. */
type PhotoWork = PlacedPhoto & { readonly sight: Sight | null };

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

/** A plate once more, with the picture without photo: for the few photos that leave gaps. */
export type WithBare = (plate: Plate, output: Output) => Plate;

/** Plates of one width that show the photo in the same pixels share them: a matte may leave it more or fewer at its rim. */
const windowKey = ({ width, photoWindow: { left, top, width: w, height: h } }: Plate) =>
  [width, left, top, w, h].join();

/** Gives each photo's pixels on its plate; plates that show it in the same pixels are asked once. */
function pixelsReader(photo: PhotoWork, widest: Plate | null): (plate: Plate) => Promise<PhotoPixels> {
  const read = photoPixels(photo, widest);
  const known = new Map<string, PhotoPixels>();
  return async (plate) => {
    const pixels = known.get(windowKey(plate)) ?? (await read(plate));
    known.set(windowKey(plate), pixels);
    return pixels;
  };
}

/** Composes the cutout on one plate after the other, without captions. */
function composer({ photos, widest }: RenderWork, bufferFor: BufferFor, withBare: WithBare) {
  const widestPlates = widest && slotPlates(widest);
  const readers = photos.map((photo, i) => photo && pixelsReader(photo, widestPlates && (widestPlates[i] ?? null)));
  return async (plate: Plate, output: Output): Promise<ComposedCutout> => {
    const pixels: (PhotoPixels | null)[] = [];
    // One after the other: a photo decoded takes more memory than all else.
    for (const [i, own] of slotPlates(plate).entries()) pixels.push((own && (await readers[i]?.(own))) ?? null);
    const isFraming = output.content === 'framing';
    const isWhole = pixels.every((own) => own?.opaque ?? true) || slotPlates(plate).every((own) => own?.bare ?? !own);
    const whole = isWhole && !isFraming ? plate : withBare(plate, output);
    const shown = isFraming ? withoutPhotos(whole) : whole;
    // Where there is no photo, none leaves gaps.
    const given = isFraming ? pixels.map((own) => own && { ...own, opaque: true }) : pixels;
    const colours = coloursFor(plate.picks, photos.find((photo) => photo !== null)?.sight);
    const out = bufferFor(plate.blank.length);
    if (!plate.sheet) return { plain: compose(shown, given[0]!, colours, out), colours };
    const slots = slotPlates(plate).map((own, i): SlotPhoto | null => {
      const seen = given[i];
      return own && seen ? { pixels: seen, colours: coloursFor(own.picks, photos[i]!.sight) } : null;
    });
    return { plain: composeSheet(shown, slots, colours, out), colours };
  };
}

type ComposedCutout = { readonly plain: Uint8ClampedArray<ArrayBuffer>; readonly colours: PickedColours };

/**
 * Renders and writes the targets, plate by plate; the answers are in the targets' order.
 * Targets of the same plate share the composed picture.
 *
 * @throws WobrelError `photo-broken` or `cannot-write`
 */
export async function renderPhoto(
  work: RenderWork,
  bufferFor: BufferFor = newBuffer,
  withBare: WithBare = (plate) => plate,
): Promise<RenderedFile[]> {
  const { template, words, targets } = work;
  const composeOn = composer(work, bufferFor, withBare);
  const files: RenderedFile[] = [];
  const isAlike = (a: RenderTarget, b: RenderTarget) => a.plate === b.plate && a.output.content === b.output.content;
  const firsts = targets.filter((target, i) => targets.findIndex((other) => isAlike(other, target)) === i);
  for (const first of firsts) {
    const { plate } = first;
    const { width, height } = plate;
    const { plain, colours } = await composeOn(plate, first.output);
    const ppi = densityOf(template, width);
    for (const [i, target] of targets.entries()) {
      if (!isAlike(target, first)) continue;
      const { output, path } = target;
      // Outputs that share a picture are called differently, and captions may say so.
      const pixels = plate.captions.length > 0 ? plain.slice() : plain;
      const fields = fieldsOf({ ...words, template: template.name, output: output.name, width, height });
      const inked = writeCaptions(plate, { fields, colours }, pixels);
      const part = keptPart(inked, output.trim, plate.scale);
      const xmp = xmpOf(metadataFor(template.metadata, fields));
      const file = await encodeWithin({ pixels, width, height, ppi, xmp }, output, part);
      await writeWhole(path, file.data);
      const { width: w, height: h, quality, data } = file;
      files[i] = { width: w, height: h, bytes: data.length, sha256: sha256Of(data), quality };
    }
  }
  return files;
}
