/** The photo once more, behind the cutout: blurred, as a ground of its own. */
import { cornersOf, type Before, type Behind } from '../layers';
import { filterPixels, type PaintBox } from '../paint';
import { blur as blurInPlace, type PixelWindow } from '../raster';
import { pictureOf, type Template } from '../template';

/** A photo behind as a plate wants it. */
export type PhotoBehind = Pick<Behind, 'fit' | 'zoom' | 'filters'> & {
  /** What of the picture it fills, pixels; they need not be whole. */
  readonly area: PaintBox;
  /** The size that it is worked out in: smaller the softer it is. */
  readonly width: number;
  readonly height: number;
  /** Of its Gaussian, in pixels of that size. */
  readonly sigma: number;
};

/** Opaque RGBA of a photo behind, row by row, in the size that the plate wants. */
export type BehindPixels = Uint8Array | Uint8ClampedArray;

/** A Gaussian of so many pixels is drawn straight between the pixels without a visible step. */
const FINE = 4;

/** What is blurred has no more pixels: in a larger picture it is drawn larger. */
const MOST_BLURRED = 16_000_000;

/** Layers behind that show at all. */
export const isBehind = ({ on, opacity }: Pick<Behind, 'on' | 'opacity'>): boolean => on && opacity > 0;

function photoBehind({ fit, zoom, blur, filters }: Behind | Before, area: PaintBox, scale: number): PhotoBehind {
  const sigma = (blur / 2) * scale;
  const most = sigma > 0 ? Math.sqrt(MOST_BLURRED / (area.width * area.height)) : 1;
  const k = Math.min(1, most, FINE / Math.max(sigma, 1e-6));
  const [width, height] = [Math.max(1, Math.round(area.width * k)), Math.max(1, Math.round(area.height * k))];
  return { fit, zoom, filters, area, width, height, sigma: sigma * (width / area.width) };
}

/** The photos behind of a picture so many pixels wide, the lowest first, then those before. A mat with a paint of its own leaves those behind the frame; one before may have a box. */
export function photosBehind(template: Template, width: number): PhotoBehind[] {
  const picture = pictureOf(template);
  const scale = width / picture.width;
  const { frame, mat } = template;
  const [x, y] = [-picture.left * scale, -picture.top * scale];
  const whole = { left: 0, top: 0, width, height: picture.height * scale };
  const inner = { left: x, top: y, width: frame.width * scale, height: frame.height * scale };
  const shown = <L extends Behind | Before>(layers: readonly L[]) =>
    layers.filter((layer) => isBehind(layer) && layer.show === 'photo');
  return [
    ...shown(template.behind).map((layer) => photoBehind(layer, mat.paint === null ? whole : inner, scale)),
    ...shown(template.before).map((layer) => photoBehind(layer, photoBox(layer, scale, [x, y]) ?? whole, scale)),
  ];
}

/** The upright box that a photo before has, pixels: the one around its corners where it has these; null where it is all over. */
export function photoBox(
  { place }: Pick<Before, 'place'>,
  scale: number,
  [x, y]: readonly [number, number],
): PaintBox | null {
  if (!place) return null;
  const corners = cornersOf(place);
  const [xs, ys] = [corners.map(([across]) => across), corners.map(([, down]) => down)];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  return {
    left: x + left * scale,
    top: y + top * scale,
    width: (Math.max(...xs) - left) * scale,
    height: (Math.max(...ys) - top) * scale,
  };
}

/** Where the whole photo lies in whole pixels of a photo behind: it covers all of it, its middle in the middle. */
export function rectBehind(
  photo: { readonly width: number; readonly height: number },
  { fit, zoom, width, height }: PhotoBehind,
): PixelWindow {
  const k = Math.max(width / photo.width, height / photo.height);
  const [across, down] = fit === 'stretch' ? [width * zoom, height * zoom] : [photo.width * k * zoom, photo.height * k * zoom]; // prettier-ignore
  const [w, h] = [Math.max(width, Math.round(across)), Math.max(height, Math.round(down))];
  return { left: Math.round((width - w) / 2), top: Math.round((height - h) / 2), width: w, height: h };
}

/** White is put under what of a photo is transparent. */
const UNDER = 255;

/** Without transparency, in place. */
function opaque(data: BehindPixels): BehindPixels {
  for (let k = 0; k < data.length; k += 4) {
    const alpha = data[k + 3]!;
    if (alpha === 255) continue;
    for (let c = k; c < k + 3; c++) data[c] = (data[c]! * alpha + UNDER * (255 - alpha)) / 255;
    data[k + 3] = 255;
  }
  return data;
}

/**
 * The pixels of a photo behind, blurred, and its colours changed; along the rim the Gaussian goes by what there is.
 *
 * @param data straight RGBA of its size, which is written over
 */
export function behindPixels(data: BehindPixels, { width, height, sigma, filters }: PhotoBehind): BehindPixels {
  const out = opaque(data);
  blurred(out, width, height, sigma);
  if (filters) filterPixels(filters, out, false);
  return out;
}

/** In place. */
function blurred(out: BehindPixels, width: number, height: number, sigma: number): void {
  if (sigma === 0) return;
  const n = width * height;
  const weight = new Float32Array(n).fill(1);
  blurInPlace(weight, width, height, sigma);
  const plane = new Float32Array(n);
  for (let c = 0; c < 3; c++) {
    for (let i = 0, k = c; i < n; i++, k += 4) plane[i] = out[k]!;
    blurInPlace(plane, width, height, sigma);
    for (let i = 0, k = c; i < n; i++, k += 4) out[k] = Math.round(plane[i]! / weight[i]!);
  }
}

/** Where a pixel's middle lies among those of a line of `pixels` along so much of it. */
const placeOn = (at: number, from: number, extent: number, pixels: number) =>
  Math.min(pixels - 1, Math.max(0, ((at + 0.5 - from) / extent) * pixels - 0.5));

/** Draws part of a row straight between the pixels. */
function drawRow(
  row: Uint8ClampedArray,
  data: BehindPixels,
  behind: PhotoBehind,
  x: number,
  y: number,
  n: number,
): void {
  const { area, width, height } = behind;
  const down = placeOn(y, area.top, area.height, height);
  const above = Math.floor(down);
  const below = Math.min(height - 1, above + 1);
  const v = down - above;
  for (let i = 0, k = 0; i < n; i++, k += 4) {
    const across = placeOn(x + i, area.left, area.width, width);
    const left = Math.floor(across);
    const right = Math.min(width - 1, left + 1);
    const u = across - left;
    for (let c = 0; c < 3; c++) {
      const a = data[(above * width + left) * 4 + c]!;
      const b = data[(above * width + right) * 4 + c]!;
      const d = data[(below * width + left) * 4 + c]!;
      const e = data[(below * width + right) * 4 + c]!;
      const high = a + (b - a) * u;
      row[k + c] = high + (d + (e - d) * u - high) * v;
    }
    row[k + 3] = 255;
  }
}

/** Gives parts of rows of the picture, drawn straight between the pixels; an answer holds until the next call. */
export function behindReader(data: BehindPixels, behind: PhotoBehind) {
  let row = new Uint8ClampedArray(0);
  return (x: number, y: number, n: number): Uint8ClampedArray => {
    if (row.length < n * 4) row = new Uint8ClampedArray(n * 4);
    drawRow(row, data, behind, x, y, n);
    return row;
  };
}
