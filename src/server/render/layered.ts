/** Working files: a cutout as layers in an OpenRaster file. */
import { strToU8, unzipSync, zipSync } from 'fflate';
import sharp from 'sharp';
import { OPEN_RASTER_TYPE, rasterLayerFile, stackXml, type RasterLayer } from '../../core/export';
import type { Blend } from '../../core/paint';
import { unpeeled, type WorkingParts } from '../../core/plate';
import type { KeptPart, Output } from '../../core/template';
import { encode, type Picture } from './encode';
import type { EncodedWithin } from './within';

type Pixels = Uint8ClampedArray<ArrayBuffer>;
type Part = WorkingParts['parts'][number];

/** A part's pixels on one of its plates; with `bare`, as they are without any photo. */
export type ComposePart = (part: Part, plate: Part['plate'], bare: boolean) => Promise<Pixels>;

type LayerPixels = { readonly name: string; readonly part: Part; readonly pixels: Pixels };

/** The layers of one part, the uppermost first. */
async function layersOf(part: Part, compose: ComposePart, hasPhoto: boolean): Promise<LayerPixels[]> {
  const layer = (name: string, pixels: Pixels) => ({ name, part, pixels });
  const whole = await compose(part, part.plate, !hasPhoto);
  if (!part.photo) return [layer(part.name, whole)];
  const borders = hasPhoto ? await compose(part, part.plate, true) : whole;
  const over = layer(part.name.replace(/Photo$/, 'Borders'), borders);
  if (!hasPhoto) return [over];
  return [over, layer(part.name, unpeeled(whole, borders, await compose(part, part.photo, false)))];
}

/** The smallest part that holds all that is not fully transparent. */
function inkedIn(pixels: Pixels, width: number): KeptPart | null {
  let [left, top, right, bottom] = [width, -1, -1, -1];
  for (let i = 3; i < pixels.length; i += 4) {
    if (pixels[i] === 0) continue;
    const x = (i >> 2) % width;
    bottom = Math.floor((i >> 2) / width);
    if (top < 0) top = bottom;
    left = Math.min(left, x);
    right = Math.max(right, x);
  }
  return top < 0 ? null : { left, top, width: right - left + 1, height: bottom - top + 1 };
}

/** Holes of what lies before go through every layer; on their rims a pixel belongs to the uppermost one alone. */
function holes({ keep }: WorkingParts, width: number, front: Pixels, plain: Pixels) {
  const taken = new Uint8Array(keep?.length ?? 0);
  return ({ pixels, part: { left, top, plate } }: LayerPixels): void => {
    if (!keep) return;
    for (let i = 0, k = 0; k < pixels.length; i++, k += 4) {
      const at = (top + Math.floor(i / plate.width)) * width + left + (i % plate.width);
      const through = 255 - front[at * 4 + 3]!;
      if (keep[at]! >= through - 1 || pixels[k + 3] === 0) continue;
      if (keep[at]! > 0 && taken[at] === 0) {
        const one = (of: Pixels) => of.slice(at * 4, at * 4 + 4);
        pixels.set(unpeeled(one(plain), one(front), new Uint8ClampedArray(4)), k);
      } else pixels[k + 3] = 0;
      taken[at] = 1;
    }
  };
}

export type LayeredWork = {
  readonly parts: WorkingParts;
  /** False for what lies round the photos alone. */
  readonly hasPhotos: boolean;
  readonly compose: ComposePart;
  /** The finished picture without its captions and without what is mixed with it; the captions alone. */
  readonly plain: Pixels;
  readonly captions: Pixels | null;
};

/** Longest side of the small picture in the file, as its form wants it. */
const THUMBNAIL = 256;

/** A picture and its layers as an OpenRaster file. */
export async function layeredFile(
  picture: Picture,
  output: Output,
  part: KeptPart | null,
  { parts, hasPhotos, compose, plain, captions }: LayeredWork,
): Promise<EncodedWithin> {
  const flat: Output = { ...output, format: 'png', colours: null, trim: false };
  const { width, height } = picture;
  const whole = part ?? { left: 0, top: 0, width, height };
  const layers: RasterLayer[] = [];
  const add = async (
    name: string,
    pixels: Pixels,
    at: { readonly left: number; readonly top: number },
    across: number,
    blend: Blend = 'normal',
  ) => {
    const inked = inkedIn(pixels, across);
    if (!inked) return;
    const size = { width: across, height: pixels.length / 4 / across };
    const { data: png } = await encode({ pixels, ...size, ppi: picture.ppi }, flat, inked);
    layers.push({ name, left: at.left + inked.left - whole.left, top: at.top + inked.top - whole.top, blend, png });
  };
  if (captions) await add('Captions', captions, { left: 0, top: 0 }, width);
  for (const [i, layer] of [...parts.over.entries()].reverse()) {
    const one = {
      name: `Mixed ${i + 1}`,
      slot: parts.parts.at(-1)!.slot,
      left: 0,
      top: 0,
      plate: layer.plate,
      photo: null,
    };
    const pixels = await compose(one, layer.plate, false);
    if (layer.opacity < 1) for (let k = 3; k < pixels.length; k += 4) pixels[k] = pixels[k]! * layer.opacity;
    await add(one.name, pixels, one, width, layer.blend);
  }
  const [front, ...below] = [...parts.parts].reverse();
  const before = await compose(front!, front!.plate, !hasPhotos);
  await add(front!.name, before, front!, width);
  const pierce = holes(parts, width, before, plain);
  for (const one of below)
    for (const layer of await layersOf(one, compose, hasPhotos)) {
      pierce(layer);
      await add(layer.name, layer.pixels, one, one.plate.width);
    }
  const merged = await encode(picture, flat, part);
  const thumbnail = await sharp(merged.data).resize(THUMBNAIL, THUMBNAIL, { fit: 'inside', withoutEnlargement: true }).png().toBuffer(); // prettier-ignore
  const xml = stackXml({ width: merged.width, height: merged.height, ppi: picture.ppi, layers });
  const files = {
    mimetype: strToU8(OPEN_RASTER_TYPE),
    'stack.xml': strToU8(xml),
    ...Object.fromEntries(layers.map(({ png }, i) => [rasterLayerFile(i), png])),
    'mergedimage.png': merged.data,
    'Thumbnails/thumbnail.png': thumbnail,
  };
  // Pictures are packed already. The same pixels are the same bytes, whenever they are made.
  const data = zipSync(files, { level: 0, mtime: new Date(1980, 0, 1) });
  return { ...merged, quality: null, data: Buffer.from(data.buffer, data.byteOffset, data.length) };
}

/** The picture that a delivered file shows: of a working file the one with all layers merged. */
export function shownIn(file: string, data: Buffer): Buffer {
  if (!file.endsWith('.ora')) return data;
  const { 'mergedimage.png': merged } = unzipSync(data, { filter: ({ name }) => name === 'mergedimage.png' });
  return merged ? Buffer.from(merged) : data;
}
