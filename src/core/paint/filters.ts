/** Filters of a photo as matrices over r, g, b (0…1): the functions of Filter Effects 1 §13, and a recolouring by luma. */
import { z } from 'zod';
import { colourSchema, parseColour } from './colour';
import { mixRow, type Matrix } from './kernel';

const factor = z.number().min(0).max(10).default(1);
const share = z.number().min(0).max(1);

/** In the order in which they are applied. */
export const filtersSchema = z.strictObject({
  brightness: factor,
  contrast: factor,
  saturate: factor,
  grayscale: share.default(0),
  sepia: share.default(0),
  /** Degrees. */
  hueRotate: z.number().min(-3600).max(3600).default(0),
  /** Each pixel's luma mixes two colours; `strength` mixes that with the pixel as it was. */
  recolour: z
    .strictObject({
      dark: colourSchema.default('#201510'),
      light: colourSchema.default('#f4e9d0'),
      strength: share.default(1),
    })
    .nullable()
    .default(null),
});
export type Filters = z.infer<typeof filtersSchema>;

export const NO_FILTERS: Filters = filtersSchema.parse({});

/** Each channel on its own: slope and what is added. */
const straight = (slope: number, add: number): Matrix => [slope, 0, 0, add, 0, slope, 0, add, 0, 0, slope, add];

/** A matrix and no addition, row by row. */
const mixing = ([a, b, c, d, e, f, g, h, i]: readonly [number, number, number, number, number, number, number, number, number]): Matrix => [a, b, c, 0, d, e, f, 0, g, h, i, 0]; // prettier-ignore

const saturate = (s: number) =>
  mixing([
    0.213 + 0.787 * s, 0.715 - 0.715 * s, 0.072 - 0.072 * s,
    0.213 - 0.213 * s, 0.715 + 0.285 * s, 0.072 - 0.072 * s,
    0.213 - 0.213 * s, 0.715 - 0.715 * s, 0.072 + 0.928 * s,
  ]); // prettier-ignore

function grayscale(amount: number): Matrix {
  const k = 1 - amount;
  return mixing([
    0.2126 + 0.7874 * k, 0.7152 - 0.7152 * k, 0.0722 - 0.0722 * k,
    0.2126 - 0.2126 * k, 0.7152 + 0.2848 * k, 0.0722 - 0.0722 * k,
    0.2126 - 0.2126 * k, 0.7152 - 0.7152 * k, 0.0722 + 0.9278 * k,
  ]); // prettier-ignore
}

function sepia(amount: number): Matrix {
  const k = 1 - amount;
  return mixing([
    0.393 + 0.607 * k, 0.769 - 0.769 * k, 0.189 - 0.189 * k,
    0.349 - 0.349 * k, 0.686 + 0.314 * k, 0.168 - 0.168 * k,
    0.272 - 0.272 * k, 0.534 - 0.534 * k, 0.131 + 0.869 * k,
  ]); // prettier-ignore
}

function hueRotate(degrees: number): Matrix {
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  return mixing([
    0.213 + cos * 0.787 - sin * 0.213, 0.715 - cos * 0.715 - sin * 0.715, 0.072 - cos * 0.072 + sin * 0.928,
    0.213 - cos * 0.213 + sin * 0.143, 0.715 + cos * 0.285 + sin * 0.14, 0.072 - cos * 0.072 - sin * 0.283,
    0.213 - cos * 0.213 - sin * 0.787, 0.715 - cos * 0.715 + sin * 0.715, 0.072 + cos * 0.928 + sin * 0.072,
  ]); // prettier-ignore
}

/** Luma with the weights of ITU-R BT.709-6 item 3.2, of the sRGB values as they are. */
const LUMA = [0.2126, 0.7152, 0.0722] as const;

function recolour({ dark, light, strength }: NonNullable<Filters['recolour']>): Matrix {
  const [from, to] = [parseColour(dark), parseColour(light)];
  return (['r', 'g', 'b'] as const).flatMap((channel, row) => [
    ...LUMA.map(
      (weight, column) => strength * (to[channel] - from[channel]) * weight + (row === column ? 1 - strength : 0),
    ),
    strength * from[channel],
  ]);
}

/** Those that change anything, in their order. */
export function matricesOf(filters: Filters): Matrix[] {
  const { brightness, contrast } = filters;
  return [
    ...(brightness === 1 ? [] : [straight(brightness, 0)]),
    ...(contrast === 1 ? [] : [straight(contrast, 0.5 - 0.5 * contrast)]),
    ...(filters.saturate === 1 ? [] : [saturate(filters.saturate)]),
    ...(filters.grayscale === 0 ? [] : [grayscale(filters.grayscale)]),
    ...(filters.sepia === 0 ? [] : [sepia(filters.sepia)]),
    ...(filters.hueRotate % 360 === 0 ? [] : [hueRotate(filters.hueRotate)]),
    ...(filters.recolour === null || filters.recolour.strength === 0 ? [] : [recolour(filters.recolour)]),
  ];
}

/** True where no channel goes by another. */
export const isPerChannel = (m: Matrix): boolean => [1, 2, 4, 6, 8, 9].every((i) => m[i] === 0);

/** Pixels that are changed at a time. */
const RUN = 1024;

/**
 * Pixels with their colours changed, in place.
 *
 * @param data RGBA, row by row
 * @param isPremultiplied whether r, g and b are multiplied by alpha
 */
export function filterPixels(filters: Filters, data: Uint8Array | Uint8ClampedArray, isPremultiplied: boolean): void {
  const matrices = matricesOf(filters);
  if (matrices.length === 0) return;
  const run = new Float32Array(RUN * 3);
  for (let from = 0; from < data.length; from += RUN * 4) {
    const n = Math.min(RUN, (data.length - from) / 4);
    for (let i = 0, k = from, p = 0; i < n; i++, k += 4, p += 3) {
      const whole = isPremultiplied ? Math.max(1, data[k + 3]!) : 255;
      for (let c = 0; c < 3; c++) run[p + c] = data[k + c]! / whole;
    }
    for (const matrix of matrices) mixRow(matrix, run, n);
    for (let i = 0, k = from, p = 0; i < n; i++, k += 4, p += 3) {
      const whole = isPremultiplied ? data[k + 3]! : 255;
      for (let c = 0; c < 3; c++) data[k + c] = Math.round(run[p + c]! * whole);
    }
  }
}
