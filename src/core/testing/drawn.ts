/** Cutouts drawn for tests. */
import { coloursFor, compile, compose, type PhotoPixels, type Plate } from '../plate';
import type { Sight } from '../sight';
import { parseTemplate, type Template } from '../template';
import { seededBytes } from './photos';

/** A template with a square frame. */
export const squareTemplate = (side: number, fields: object): Template =>
  parseTemplate({ wobrel: 1, name: 'test', frame: { width: side, height: side }, ...fields });

/** Opaque noise where a plate shows the photo, the same for the same seed. */
export function noiseOn({ photoWindow: window }: Plate, seed: number): PhotoPixels {
  const data = seededBytes(window.width * window.height * 4, seed).map((v, i) => (i % 4 === 3 ? 255 : v));
  return { data, window, opaque: true };
}

export type DrawnPicture = {
  readonly plate: Plate;
  readonly out: Uint8ClampedArray;
  /** Straight r, g, b, alpha of a pixel. */
  readonly at: (x: number, y: number) => number[];
};

/** The cutout of noise; `sight` gives the colours that are taken from it. */
export function drawnNoise(
  template: Template,
  width: number,
  seed = 1,
  sight: Pick<Sight, 'palette'> | null = null,
): DrawnPicture {
  const plate = compile(template, width);
  const out = compose(plate, noiseOn(plate, seed), coloursFor(plate.picks, sight));
  return { plate, out, at: (x, y) => [...out.subarray((y * width + x) * 4, (y * width + x) * 4 + 4)] };
}

/** The largest difference of two pictures in any channel, colours weighed by alpha. */
export function farthest(a: Uint8ClampedArray, b: Uint8ClampedArray): number {
  let most = a.length === b.length ? 0 : 255;
  for (let k = 0; k < a.length; k += 4)
    for (let c = 0; c < 4; c++) {
      const weigh = (v: Uint8ClampedArray) => (c === 3 ? v[k + 3]! : (v[k + c]! * v[k + 3]!) / 255);
      most = Math.max(most, Math.abs(weigh(a) - weigh(b)));
    }
  return most;
}

/** The first byte in which two pictures differ; −1 where they are the same. */
export function firstUnlike(a: Uint8ClampedArray, b: Uint8ClampedArray): number {
  if (a.length !== b.length) return Math.min(a.length, b.length);
  for (let k = 0; k < a.length; k++) if (a[k] !== b[k]) return k;
  return -1;
}
