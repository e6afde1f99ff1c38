/** What becomes of the photo itself: filters, tints and inner shadows, as steps over rows of its pixels. */
import {
  blendCode,
  blendRow,
  fadeRamp,
  isPerChannel,
  isSeparable,
  matricesOf,
  mixRow,
  rowOf,
  type Blend,
  type Matrix,
} from '../paint';
import { bandsOf, besideOutline, narrowBandsOf, sameRoom, softCoverage, type PixelWindow } from '../raster';
import { lightened, offset } from '../shape';
import { paintRows, type LaidPaint, type PaintGround } from './paints';
import type { Sided } from './sided';
import type { EdgeRelief, Light, Shadow } from '../layers';
import { shadingOf, slopesOf } from './relief';
import { softly } from './softly';
import type { Template } from '../template';

type Step =
  | { readonly kind: 'matrix'; readonly matrix: Matrix }
  | ({ readonly kind: 'blend'; readonly mode: Blend } & LaidPaint);

/** In their order; first of all a table of 3 × 256 values, 0…1, for what goes by each channel of the photo alone. */
export type PhotoFinish = { readonly table: Float32Array | null; readonly steps: readonly Step[] };

/** Straight r, g, b, 0…1, of every colour that a photo gives. */
export type PickedColours = readonly (readonly [r: number, g: number, b: number])[];

/** Whether a step makes the same of a channel wherever the pixel lies, and whatever its other channels are. */
const isTable = (step: Step): boolean =>
  step.kind === 'matrix'
    ? isPerChannel(step.matrix)
    : step.places.kind === 'flat' && step.pick < 0 && isSeparable(step.mode);

/** The greys of a photo, and places on a ramp of one colour. */
const GREYS = Float32Array.from({ length: 768 }, (_, i) => Math.floor(i / 3) / 255);
const FLAT = new Int32Array(256);

/** What steps make of every value of each channel: that of the greys. */
function tableOf(steps: readonly Step[]): Float32Array {
  const greys = GREYS.slice();
  for (const step of steps)
    if (step.kind === 'matrix') mixRow(step.matrix, greys, 256);
    else blendRow(step.mode, greys, { values: step.ramp, at: FLAT }, 256);
  return Float32Array.from(greys, (_, i) => greys[(i % 256) * 3 + Math.floor(i / 256)]!);
}

/** The steps that go by each channel alone, as long as nothing else came before, become one table. */
function folded(steps: readonly Step[]): PhotoFinish {
  const others = steps.findIndex((step) => !isTable(step));
  const alone = others < 0 ? steps.length : others;
  if (alone === 0) return { table: null, steps };
  return { table: tableOf(steps.slice(0, alone)), steps: steps.slice(alone) };
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
  const sigma = (blur / 2) * scale;
  const hole = offset(softly(outline, sigma), -spread * scale, 'round').map((polygon) =>
    polygon.map(([px, py]) => [px + x * scale, py + y * scale] as const),
  );
  const values = new Uint16Array(window.width * window.height);
  const room = sameRoom();
  for (const band of narrowBandsOf(window)) {
    const covered = softCoverage(hole, band, sigma, null, room);
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

/** Pixels beyond a slope's ends that are looked at with it. */
const AROUND = 1;

/** Shade and highlights on the photo's own edge. */
function reliefSteps(relief: EdgeRelief, light: Light, { outline, scale, window }: PaintGround): Step[] {
  const wide = relief.width * scale;
  const rough = lightened(outline, AROUND / 4);
  const inner = offset(rough, -wide - AROUND, 'round').map((polygon) => [...polygon].reverse());
  const within = [...offset(rough, AROUND, 'round'), ...inner];
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
  const row = rowOf(n);
  row.lookUp(table ?? PLAIN, photo, p);
  for (const step of steps)
    if (step.kind === 'matrix') row.mix(step.matrix);
    else row.blend(blendCode(step.mode), step, x, y);
  return row.pack();
}
