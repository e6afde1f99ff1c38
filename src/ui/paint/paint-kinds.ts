/** Paints as they are offered, and how one becomes another. */
import {
  isPattern,
  isPicked,
  parseColour,
  RAMP_STEPS,
  rampOf,
  type LinePaint,
  type PatternPaint,
  type Picked,
} from '@/core/paint';
import { anotherTexture } from './textures';

export type Gradient = Exclude<LinePaint, string | Picked | PatternPaint>;
export type PaintKind = 'colour' | 'picked' | 'pattern' | Gradient['kind'];
export type Stop = Gradient['stops'][number];

export const kindOf = (paint: LinePaint): PaintKind => (typeof paint === 'string' ? 'colour' : paint.kind);

/** What stands for colours that a photo or a picture gives. */
const UNPICKED = '#808080';

/** The colour that stands for a paint where there is room for one. */
export function firstColour(paint: LinePaint): string {
  if (typeof paint === 'string') return paint;
  return isPicked(paint) || isPattern(paint) ? UNPICKED : paint.stops[0]![1];
}

const clear = (colour: string) => `${colour.slice(0, 7).padEnd(7, '0')}00`;
/** Halfway to white. */
function lighter(colour: string): string {
  const { r, g, b } = parseColour(colour);
  return `#${[r, g, b].map((v) => Math.round((0.5 + v / 2) * 255).toString(16).padStart(2, '0')).join('')}`; // prettier-ignore
}

const full = (hex: string) => (hex.length <= 5 ? `#${[...hex.slice(1)].map((c) => c + c).join('')}` : hex);

/** What suits the template: the depth of a contour, and the frame's shorter side, frame units; whether it is a line. */
export type Suits = { readonly depth: number; readonly side: number; readonly isLine: boolean };

/** The same colours in another kind; a plain colour fades to nothing, or as a texture is mixed with a lighter one. */
export function asKind(paint: LinePaint, kind: PaintKind, { depth, side, isLine }: Suits): LinePaint {
  if (kind === 'colour') return firstColour(paint);
  if (kind === 'picked') return { kind, from: 'subject', tone: 'main' };
  if (kind === 'pattern')
    return { kind, picture: null, size: Math.max(0.1, side / 8), angle: 0, lies: isLine ? 'along' : 'flat' };
  const colour = full(firstColour(paint));
  const own = typeof paint === 'string' || isPicked(paint) || isPattern(paint) ? null : paint.stops;
  const stops: Stop[] = own ?? [[0, colour], [1, clear(colour)]]; // prettier-ignore
  if (kind === 'texture') {
    const two: Stop[] = own ?? [[0, colour], [1, lighter(colour)]]; // prettier-ignore
    return anotherTexture({ stops: two, seed: 1 }, isLine ? 'brushed' : 'paper', side, isLine);
  }
  if (kind === 'linear') return { kind, angle: 180, stops };
  if (kind === 'radial') return { kind, ending: 'ellipse', extent: 'farthest-corner', at: [0.5, 0.5], stops };
  if (kind === 'conic') return { kind, from: 0, at: [0.5, 0.5], stops };
  if (kind === 'along') return { kind, stops };
  return { kind, depth, stops };
}

/** A stop moved as far as its neighbours let it. */
export function movedStop(stops: readonly Stop[], i: number, at: number): Stop[] {
  const [low, high] = [stops[i - 1]?.[0] ?? 0, stops[i + 1]?.[0] ?? 1];
  const held = Math.round(Math.min(Math.max(at, low), high) * 1000) / 1000;
  return stops.map((stop, k) => (k === i ? [held, stop[1]] : stop));
}

/** One more stop where there was none, in the colour that is there; its place in the list. */
export function withStop(stops: readonly Stop[], at: number): { readonly stops: Stop[]; readonly i: number } {
  const after = stops.findIndex(([place]) => place > at);
  const i = after < 0 ? stops.length : after;
  return { stops: [...stops.slice(0, i), [at, colourAt(stops, at)], ...stops.slice(i)], i };
}

/** The stops as CSS shows them, from left to right. */
export const cssStops = (stops: readonly Stop[]): string =>
  `linear-gradient(90deg, ${stops.map(([at, colour]) => `${colour} ${at * 100}%`).join(', ')})`;

/** The colour that the stops come to at a place, as #rrggbbaa, mixed as CSS mixes them. */
function colourAt(stops: readonly Stop[], at: number): string {
  const ramp = rampOf(stops as Stop[], 1);
  const k = Math.round(at * RAMP_STEPS) * 4;
  const hex = (v: number) =>
    Math.round(v * 255)
      .toString(16)
      .padStart(2, '0');
  return `#${[...ramp.subarray(k, k + 4)].map(hex).join('')}`;
}
