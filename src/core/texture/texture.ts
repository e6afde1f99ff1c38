/** What a texture comes to at places of the frame. */
import { kept } from '../kept';
import { TEXTURES } from './registry';
import type { Texture } from './schema';
import { evened, parted, summed, tileReader, type SummedTile, type Tile } from './tile';

/** A texture as a paint has it. */
export type Laid = {
  readonly of: Texture;
  readonly seed: number;
  /** Of what it is made of, frame units. */
  readonly size: number;
  /** Degrees clockwise. */
  readonly angle: number;
};

// Sliders of anything else ask for the same again.
const tones = kept<Tile>(4);
const sums = kept<SummedTile>(8);

/** What textures of all kinds are asked as here. */
type AnyDefinition = {
  readonly tones: 'contrast' | 'share' | null;
  readonly tile: (params: unknown, seed: number) => Tile;
};

/** One tile of it. */
export function tileFor({ of, seed }: Pick<Laid, 'of' | 'seed'>): Tile {
  const { tones: by, tile } = TEXTURES[of.kind] as AnyDefinition;
  const own: Partial<Record<'contrast' | 'share', number>> = { ...of };
  if (by === null) return tile(of, seed);
  const { [by]: wanted, ...rest } = own;
  const before = tones(JSON.stringify([rest, seed]), () => tile(of, seed));
  return by === 'contrast' ? evened(before, wanted!) : parted(before, wanted!);
}

const summedFor = ({ of, seed }: Laid): SummedTile =>
  sums(JSON.stringify([of, seed]), () => summed(tileFor({ of, seed })));

/** How wide a tile is, frame units. */
export const tileSide = ({ of, size }: Pick<Laid, 'of' | 'size'>): number => size * TEXTURES[of.kind].repeats;

/** The mean, 0…1, over a pixel whose middle is at (x, y) in frame units. */
export type TextureReader = (x: number, y: number) => number;

/** A texture that lies flat on the frame, its tiles beginning at the frame's corner. */
export function flatReader(laid: Laid, scale: number): TextureReader {
  const side = tileSide(laid);
  const radians = (laid.angle * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians) / side, Math.sin(radians) / side];
  const pixel = 1 / (scale * side);
  const read = tileReader(summedFor(laid), pixel, pixel);
  return (x, y) => read(cos * x + sin * y, cos * y - sin * x);
}

/**
 * A texture that runs along a line: `x` is how far along it a place lies, as a share of its
 * length, `y` how far from it, frame units. Tiles are stretched so that whole ones go round;
 * it is slanted, rather than turned, by its angle.
 *
 * @param whole the line's length, frame units
 */
export function alongReader(laid: Laid, whole: number, scale: number): TextureReader {
  const side = tileSide(laid);
  const turns = Math.max(1, Math.round(whole / side));
  const slant = Math.max(-80, Math.min(80, laid.angle));
  const lean = Math.tan((slant * Math.PI) / 180) / side;
  const read = tileReader(summedFor(laid), turns / (whole * scale), 1 / (scale * side));
  return (x, y) => read(x * turns + y * lean, y / side);
}
