/** The cutout's mirror image below itself: where it lies, and how it is laid on what is behind. */
import type { Reflection } from '../layers';
import type { PixelWindow } from '../raster';
import { boundsOf, type Polygon } from '../shape';
import { coatLayer, type Coat } from './coat';
import { cutoutReader, type Cutout } from './cutout';
import type { CutoutIn } from './cutouts';
import { ALPHA, channelsFor, MIRRORED, PHOTO } from './pixel';

/** A cutout's mirror image below it. */
export type Mirrored = {
  /** The band of the cutout that is seen in this one, its last row first. */
  readonly cutout: Cutout;
  /** What of it lies behind and before that: echoes, and bands of their own, the lowest first. */
  readonly echoes: readonly [behind: readonly Coat[], before: readonly Coat[]];
  /** How strong it is in each row of this band, 0…1. */
  readonly strength: Float32Array;
  /** A row of the picture and the one seen in it add up to this. */
  readonly sum: number;
};

/** A row of the picture and the one mirrored in it add up to `sum`; the image begins at `begin` and fades from `opacity` to nothing over `length`, pixels. */
export type MirrorPlace = {
  readonly sum: number;
  readonly begin: number;
  readonly length: number;
  readonly opacity: number;
};

/** Where the cutout's mirror image lies, in rows of the picture; null where there is none. */
export function mirrorOf(
  reflection: Reflection | null,
  standing: readonly Polygon[],
  scale: number,
): MirrorPlace | null {
  const bounds = boundsOf(standing);
  if (!reflection?.on || reflection.opacity === 0 || !bounds) return null;
  const [, top, , bottom] = bounds;
  const begin = bottom + reflection.gap * scale;
  return {
    // Whole rows are mirrored: it lies within half a pixel of its place.
    sum: Math.round(bottom + begin) - 1,
    begin,
    length: Math.max(reflection.length * (bottom - top), 1e-6),
    opacity: reflection.opacity,
  };
}

/** The rows of the cutout that are seen mirrored in a window of the picture; null where there are none. */
function imageWindow({ sum }: MirrorPlace, window: PixelWindow): PixelWindow | null {
  const first = Math.max(0, sum - (window.top + window.height - 1));
  const rows = sum - window.top - first + 1;
  return rows > 0 ? { ...window, top: first, height: rows } : null;
}

/** What of the mirror image lies in a window of the picture, `imaged` being the cutout in a band that holds the rows seen there. */
function mirrored(place: MirrorPlace, window: PixelWindow, imaged: CutoutIn): Mirrored | null {
  const { sum, begin, length, opacity } = place;
  const image = imageWindow(place, window);
  const strength = Float32Array.from({ length: window.height }, (_, i) => {
    const below = window.top + i + 0.5 - begin;
    // The row that the line runs through belongs to it by its lower part.
    return below <= -0.5 ? 0 : opacity * Math.max(0, 1 - Math.max(below, 0) / length);
  });
  if (!image || strength.every((v) => v === 0)) return null;
  const cutout = imaged.at(image);
  return { cutout, echoes: [imaged.behind, imaged.before(image, cutout)], strength, sum };
}

/** The mirror image in any window of a band of the picture. */
export function mirrorIn(place: MirrorPlace, band: PixelWindow, cutoutIn: (band: PixelWindow) => CutoutIn) {
  const image = imageWindow(place, band);
  const imaged = image && cutoutIn(image);
  return (window: PixelWindow): Mirrored | null => imaged && mirrored(place, window, imaged);
}

/** Writes the cutout's mirror image into what lies behind; nothing where there is none. */
export function mirrorReader({ cutout, echoes, strength, sum }: Mirrored, top: number) {
  const read = cutoutReader(cutout);
  const channels = channelsFor(cutout.others);
  const lay = coatLayer(cutout.width, channels);
  const seen = new Float64Array(channels);
  const rows = echoes.map((coats) => (coats.length === 0 ? null : new Float32Array(cutout.width * channels)));
  const [behind, before] = rows;
  let [force, from, isThere] = [0, 0, false];
  return {
    row: (y: number) => {
      const row = sum - (top + y) - cutout.top;
      force = strength[y]!;
      isThere = force > 0 && row >= 0 && row < cutout.height;
      from = row * cutout.width;
      if (!isThere) return;
      read.row(row);
      echoes.forEach((coats, side) => {
        rows[side]?.fill(0);
        for (const coat of coats) lay(coat, 0, cutout.top + row, cutout.width, rows[side]!);
      });
    },
    isIn: (x: number) =>
      isThere &&
      (cutout.levels[0]![from + x] !== 0 ||
        (cutout.feather?.[from + x] ?? 0) !== 0 ||
        rows.some((row) => row !== null && row[x * channels + ALPHA] !== 0)),
    lay: (x: number, below: Float64Array) => {
      const beneath = read.at(from + x, seen);
      const at = x * channels;
      let alpha = 1 - beneath;
      if (behind) {
        for (let c = 0; c < channels; c++) seen[c]! += behind[at + c]! * beneath;
        alpha += behind[at + ALPHA]! * beneath;
      }
      if (before) {
        const rest = 1 - before[at + ALPHA]!;
        for (let c = 0; c < channels; c++) seen[c] = before[at + c]! + seen[c]! * rest;
        alpha = before[at + ALPHA]! + alpha * rest;
      }
      alpha *= force;
      for (let c = 0; c < channels; c++) seen[c]! *= force;
      seen[MIRRORED] = seen[PHOTO]!;
      seen[PHOTO] = 0;
      seen[ALPHA] = alpha;
      for (let c = 0; c < channels; c++) below[c] = seen[c]! + below[c]! * (1 - alpha);
    },
  };
}
