/** The one form of a texture. */
import { z } from 'zod';
import type { Tile } from './tile';

export type TextureDefinition<Kind extends string, Params extends z.ZodRawShape> = {
  readonly kind: Kind;
  readonly label: string;
  /** Its own numbers, shares all, with defaults and limits. */
  readonly params: Params;
  /** What each is called on screen. */
  readonly labels: Readonly<Record<keyof Params & string, string>>;
  /** True where it has a direction: it is then first laid along the line that it paints. */
  readonly runs?: boolean;
  /** A good size of what it is made of: a share of the frame's shorter side. */
  readonly size: number;
  /** How often what it is made of stands side by side in a tile. */
  readonly repeats: number;
  /** Which of its numbers the tile's values are evened or parted by, once they are there; null where they are 0…1 as they come. */
  readonly tones: (('contrast' | 'share') & keyof Params) | null;
  /** Values of one tile that goes on over all four of its sides; they don't go by the number in `tones`. */
  readonly tile: (params: { [K in keyof Params]: z.output<Params[K]> }, seed: number) => Tile;
};

export const defineTexture = <const Kind extends string, Params extends z.ZodRawShape>(
  definition: TextureDefinition<Kind, Params>,
): TextureDefinition<Kind, Params> => definition;

/** Any share. */
export const partParam = (standard: number) => z.number().min(0).max(1).default(standard);

/** A texture without sharp edges: the mean of its values is 0.5 and their standard deviation a fifth of this. */
export const contrastParam = () => partParam(0.6);
/** A texture of two tones: how much of it has the second. */
export const shareParam = (standard: number) => z.number().min(0.02).max(0.98).default(standard);
