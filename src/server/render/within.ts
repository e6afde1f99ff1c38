/** Files that stay within a limit of bytes. */
import { hasQuality, mostBytes } from '../../core/export';
import type { KeptPart, Output } from '../../core/template';
import { encode, type Encoded, type Picture } from './encode';

/** A file, and the quality that it took to get there; null where nothing had to be found. */
export type EncodedWithin = Encoded & { readonly quality: number | null };

/**
 * Encodes at the highest quality, up to the output's own, whose file is within its limit: found by halving, seven
 * tries at most. Where none is, or the format has none, the smallest or the only file.
 */
export async function encodeWithin(picture: Picture, output: Output, part: KeptPart | null): Promise<EncodedWithin> {
  const most = mostBytes(output);
  const first = await encode(picture, output, part);
  if (most === null || !hasQuality(output)) return { ...first, quality: null };
  let best: EncodedWithin = { ...first, quality: output.quality };
  if (first.data.length <= most) return best;
  // `high` is too large; `low` is within the limit, or nothing at all.
  let [low, high] = [0, output.quality];
  while (high - low > 1) {
    const quality = (low + high) >> 1;
    const tried = { ...(await encode(picture, { ...output, quality }, part)), quality };
    if (tried.data.length <= most) [low, best] = [quality, tried];
    else {
      high = quality;
      if (low === 0) best = tried;
    }
  }
  return best;
}
