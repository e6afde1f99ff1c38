/** OpenRaster: a picture as layers in an open file that painting programs read (OpenRaster 0.0.5, from memory). */
import { inXml } from '../metadata';
import type { Blend } from '../paint';

/** A layer's picture, and where its left top corner lies in the whole one. */
export type RasterLayer = {
  readonly name: string;
  readonly left: number;
  readonly top: number;
  /** How it is mixed with those below; a mode of W3C Compositing 1, all but exclusion. */
  readonly blend: Blend;
  readonly png: Uint8Array;
};

export type LayeredPicture = {
  readonly width: number;
  readonly height: number;
  readonly ppi: number;
  /** The uppermost first. */
  readonly layers: readonly RasterLayer[];
};

/** What the file begins with, so that it is known by its content. */
export const OPEN_RASTER_TYPE = 'image/openraster';

export const rasterLayerFile = (i: number): string => `data/layer-${i + 1}.png`;

/** `stack.xml`: which layers there are, and how they lie. */
export function stackXml({ width, height, ppi, layers }: LayeredPicture): string {
  const rows = layers.map(
    ({ name, left, top, blend }, i) =>
      `    <layer name="${inXml(name)}" src="${rasterLayerFile(i)}" x="${left}" y="${top}" opacity="1.0" visibility="visible" composite-op="svg:${blend === 'normal' ? 'src-over' : blend}"/>\n`,
  );
  const resolution = Math.max(1, Math.round(ppi));
  return `<?xml version="1.0" encoding="UTF-8"?>\n<image version="0.0.5" w="${width}" h="${height}" xres="${resolution}" yres="${resolution}">\n  <stack>\n${rows.join('')}  </stack>\n</image>\n`;
}
