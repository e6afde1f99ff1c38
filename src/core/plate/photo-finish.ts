/** What becomes of the photo itself: filters, tints and inner shadows, as steps over rows of its pixels. */
import {
  blended,
  blendRow,
  channelThrough,
  fadeRamp,
  fillPaint,
  isPerChannel,
  isSeparable,
  matricesOf,
  matrixRow,
  type Blend,
  type Matrix,
} from '../paint';
import { bandsOf, besideOutline, softCoverage, type PixelWindow } from '../raster';
import { offset } from '../shape';
import { paintRows, type LaidPaint, type PaintGround } from './paints';
import type { Sided } from './sided';
import type { EdgeRelief, Light, Shadow } from '../layers';
import { shadingOf, slopesOf } from './relief';
import type { Template } from '../template';

type Step =
  { readonly kind: 'matrix'; readonly matrix: Matrix } | ({ readonly kind: 'blend'; readonly mode: Blend } & LaidPaint);

/** In their order; first of all a table of 3 × 256 values, 0…1, for what goes by each channel of the photo alone. */
export type PhotoFinish = { readonly table: Float32Array | null; readonly steps: readonly Step[] };

/** Straight r, g, b, 0…1, of every colour that a photo gives. */
export type PickedColours = readonly (readonly [r: number, g: number, b: number])[];

/** What a step makes of one channel wherever the pixel lies; null where that does not say it all. */
function channelOf(step: Step): ((channel: number, v: number) => number) | null {
  if (step.kind === 'matrix')
    return isPerChannel(step.matrix) ? (channel, v) => channelThrough(step.matrix, channel, v) : null;
  const { mode, ramp, places, pick } = step;
  if (places.kind !== 'flat' || pick >= 0 || !isSeparable(mode)) return null;
  return (channel, v) => blended(mode, v, ramp[channel]!, ramp[3]!);
}

/** The steps that go by each channel alone, as long as nothing else came before, become one table. */
function folded(steps: readonly Step[]): PhotoFinish {
  const channels: ((channel: number, v: number) => number)[] = [];
  for (const step of steps) {
    const channel = channelOf(step);
    if (!channel) break;
    channels.push(channel);
  }
  if (channels.length === 0) return { table: null, steps };
  const table = Float32Array.from({ length: 768 }, (_, i) =>
    channels.reduce((v, through) => through(Math.floor(i / 256), v), (i % 256) / 255),
  );
  return { table, steps: steps.slice(channels.length) };
}

const isOfPhoto = (step: Step): boolean => step.kind === 'blend' && step.pick >= 0;

/** The finish for a photo that gives these colours. */
export function finishWith(finish: PhotoFinish, colours: PickedColours): PhotoFinish {
  if (!finish.steps.some(isOfPhoto)) return finish;
  const steps = finish.steps.map((step): Step => {
    if (step.kind !== 'blend' || step.pick < 0) return step;
    return { ...step, ramp: Float32Array.of(...colours[step.pick]!, step.ramp[3]!), pick: -1 };
  });
  // Nothing came before the first of them that was not in the table already.
  return finish.table ? { ...finish, steps } : folded(steps);
}

/** CSS Backgrounds 3 §7.1, inset: what is not within the outline, spread inwards, moved and blurred, falls on the photo. */
function innerStep(shadow: Shadow, { outline, scale, window }: PaintGround): Step {
  const { x, y, spread, blur } = shadow;
  const hole = offset(outline, -spread * scale, 'round').map((polygon) =>
    polygon.map(([px, py]) => [px + x * scale, py + y * scale] as const),
  );
  const values = new Uint16Array(window.width * window.height);
  for (const band of bandsOf(window)) {
    const covered = softCoverage(hole, band, (blur / 2) * scale);
    const from = (band.top - window.top) * window.width;
    for (let i = 0; i < covered.length; i++) values[from + i] = Math.min(1, Math.max(0, 1 - covered[i]!)) * 65535 + 0.5;
  }
  return {
    kind: 'blend',
    mode: 'normal',
    ramp: fadeRamp(shadow.color, shadow.opacity),
    places: { kind: 'field', field: { ...window, values } },
    pick: -1,
  };
}

/** Shade and highlights on the photo's own edge. */
function reliefSteps(relief: EdgeRelief, light: Light, { outline, scale, window }: PaintGround): Step[] {
  const wide = relief.width * scale;
  const inner = offset(outline, -wide, 'round').map((polygon) => [...polygon].reverse());
  const within = [...offset(outline, 1, 'round'), ...inner];
  const shading = shadingOf(light, relief);
  const [shades, highlights] = [0, 1].map(() => new Uint16Array(window.width * window.height)) as [Uint16Array<ArrayBuffer>, Uint16Array<ArrayBuffer>]; // prettier-ignore
  const pair = new Float64Array(2);
  for (const band of bandsOf(window)) {
    const beside = besideOutline(outline, wide + 2, within, band);
    const { right, down } = slopesOf(relief, wide, scale, beside, null);
    const from = (band.top - window.top) * window.width;
    beside.places.forEach((place, i) => {
      shading(right[i]!, down[i]!, pair);
      shades[from + place] = pair[0]! * 65535 + 0.5;
      highlights[from + place] = pair[1]! * 65535 + 0.5;
    });
  }
  const step = (mode: Blend, colour: string, values: Uint16Array<ArrayBuffer>): Step => ({
    kind: 'blend',
    mode,
    ramp: fadeRamp(colour, 1),
    places: { kind: 'field', field: { ...window, values } },
    pick: -1,
  });
  return [step(relief.shadeBlend, relief.shade, shades), step(relief.highlightBlend, relief.highlight, highlights)];
}

/**
 * The photo's finish for a picture in which it shows in `window`; null where it is left as it is.
 */
export function photoFinish(
  { filters, tints, shadows, edge, light }: Pick<Template, 'filters' | 'tints' | 'shadows' | 'edge' | 'light'>,
  { outline, photoBox: box, scale, picks, corner }: Pick<PaintGround, 'outline' | 'scale' | 'picks' | 'corner'> & Pick<Sided, 'photoBox'>, // prettier-ignore
  window: PixelWindow,
): PhotoFinish | null {
  if (window.width * window.height === 0) return null;
  const ground = { outline, scale, window, box, picks, corner };
  const steps: Step[] = [
    ...matricesOf(filters).map((matrix) => ({ kind: 'matrix', matrix }) as const),
    ...tints
      .filter(({ on }) => on)
      .map(
        ({ paint, blend, opacity }) => ({ kind: 'blend', mode: blend, ...paintRows(paint, opacity, ground) }) as const,
      ),
    // First listed on top, as in CSS.
    ...shadows
      .filter(({ on, kind }) => on && kind === 'inner')
      .reverse()
      .map((shadow) => innerStep(shadow, ground)),
    ...(edge.relief ? reliefSteps(edge.relief, light, ground) : []),
  ];
  return steps.length === 0 ? null : folded(steps);
}

/** Rows that the loops below work in, for pictures up to so many pixels wide. */
type Rows = { readonly colours: Float32Array; readonly scratch: Float32Array; readonly at: Int32Array; readonly bytes: Uint8Array; readonly clamped: Uint8ClampedArray }; // prettier-ignore

let rows: Rows = rowsFor(0);

function rowsFor(n: number): Rows {
  const bytes = new Uint8Array(n * 4);
  return {
    colours: new Float32Array(n * 3),
    scratch: new Float32Array(n),
    at: new Int32Array(n),
    bytes,
    clamped: new Uint8ClampedArray(bytes.buffer),
  };
}

/** The table that changes nothing. */
const PLAIN = Float32Array.from({ length: 768 }, (_, i) => (i % 256) / 255);

/**
 * Finished pixels of a row of the photo, straight 8-bit RGBA with the photo's own alpha. The
 * answer holds until the next call.
 *
 * @param photo RGBA; the row's first pixel begins at `p`
 * @param x, y the pixel of the picture that it is
 */
export function finishedRow(
  { table, steps }: PhotoFinish,
  photo: Uint8Array | Uint8ClampedArray,
  p: number,
  x: number,
  y: number,
  n: number,
): Uint8ClampedArray {
  if (rows.at.length < n) rows = rowsFor(n);
  const { colours, scratch, at, bytes } = rows;
  throughTable(table ?? PLAIN, photo, p, colours, n);
  for (const step of steps) {
    if (step.kind === 'matrix') matrixRow(step.matrix, colours, n);
    else {
      fillPaint(step, x, y, n, scratch, at);
      blendRow(step.mode, colours, { values: step.ramp, at }, n);
    }
  }
  intoBytes(colours, photo, p, bytes, n);
  return rows.clamped;
}

type Bytes = Uint8Array | Uint8ClampedArray;

// Loops by themselves: within others the engine would not make the most of them.

/** Colours 0…1 of a photo's pixels, each channel by its own table. */
function throughTable(table: Float32Array, photo: Bytes, p: number, colours: Float32Array, n: number): void {
  for (let i = 0, k = 0, q = p; i < n; i++, k += 3, q += 4) {
    colours[k] = table[photo[q]!]!;
    colours[k + 1] = table[256 + photo[q + 1]!]!;
    colours[k + 2] = table[512 + photo[q + 2]!]!;
  }
}

/** The colours as bytes, with the photo's own alpha. */
function intoBytes(colours: Float32Array, photo: Bytes, p: number, bytes: Uint8Array, n: number): void {
  for (let i = 0, k = 0, q = 0; i < n; i++, k += 3, q += 4) {
    // Within 0…1 as they are, and several times as quick as having them clamped.
    bytes[q] = (colours[k]! * 255 + 0.5) | 0;
    bytes[q + 1] = (colours[k + 1]! * 255 + 0.5) | 0;
    bytes[q + 2] = (colours[k + 2]! * 255 + 0.5) | 0;
    bytes[q + 3] = photo[p + q + 3]!;
  }
}
