/** The one form of a shape kind. */
import { z } from 'zod';
import type { Outline, Point } from './path';

/** The box a shape is fitted to, before it is turned: width and height in frame units. */
export type Extent = { readonly width: number; readonly height: number };

/** How a parameter is asked for on screen. */
export type Control = {
  readonly label: string;
  readonly as: 'length' | 'share' | 'count' | 'angle' | 'choice' | 'corners' | 'text';
  /** Numbers go by this step. */
  readonly step?: number;
  /** For a choice: value to words. */
  readonly options?: Readonly<Record<string, string>>;
};

export type ShapeDefinition<Kind extends string, Params extends z.ZodRawShape> = {
  readonly kind: Kind;
  readonly label: string;
  /** The kind's own parameters with defaults and limits. */
  readonly params: Params;
  readonly controls: Readonly<Record<keyof Params & string, Control>>;
  /** True where width and height always go together: only a square box keeps it what it is called. */
  readonly regular?: boolean;
  /** Width over height in which it looks best; 1 if left out. */
  readonly aspect?: number;
  /** True where it is itself in any proportion, and follows both sides of a frame that changes. */
  readonly anyProportion?: boolean;
  /** Other words that people look for it by, lower case. */
  readonly also?: readonly string[];
  /** Where on the outline each number is held and pulled; for corners, the one of that place. */
  readonly handles: {
    readonly [K in keyof Params as z.output<Params[K]> extends number | readonly number[] ? K : never]: (
      params: { [P in keyof Params]: z.output<Params[P]> },
      extent: Extent,
      place: number,
    ) => Point;
  };
  /** Outline around the origin within the extent, frame units, y down, clockwise, holes the other way. */
  readonly outline: (params: { [K in keyof Params]: z.output<Params[K]> }, extent: Extent) => Outline;
};

export function defineShape<const Kind extends string, Params extends z.ZodRawShape>(
  definition: ShapeDefinition<Kind, Params>,
): ShapeDefinition<Kind, Params> {
  return definition;
}

/** A share of something, within limits that keep the shape one. */
export const shareParam = (min: number, max: number, standard: number) =>
  z.number().min(min).max(max).default(standard);
export const countParam = (min: number, max: number, standard: number) => z.int().min(min).max(max).default(standard);
export const lengthParam = () => z.number().min(0).max(100_000);
