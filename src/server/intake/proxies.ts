/** Smaller copies of a photo for the screen. */
import { rm } from 'node:fs/promises';
import sharp from 'sharp';
import { PROXY_SIZES } from '../config';
import { writeWhole } from '../store';
import type { Here } from '../workspace';
import { asBroken } from './inspect';
import { openPhoto } from './open';

/** Near lossless and with full colour resolution: previews are compared with exports. */
const JPEG = { quality: 95, chromaSubsampling: '4:4:4' } as const;

/**
 * Writes the proxies of a photo (longest side 512 and 2048 px, never enlarged), decoding it once.
 *
 * @throws WobrelError `photo-broken` where its pixels can't be read to the end
 */
export async function makeProxies(here: Pick<Here, 'files'>, path: string, sha256: string): Promise<void> {
  const [small, large] = PROXY_SIZES;
  const inside = { fit: 'inside', withoutEnlargement: true } as const;
  const { data, info } = await openPhoto(path)
    .resize(large, large, inside)
    .raw()
    .toBuffer({ resolveWithObject: true })
    .catch(asBroken);
  const decoded = () => sharp(data, { raw: { width: info.width, height: info.height, channels: info.channels } });
  const written = [
    [large, await decoded().jpeg(JPEG).toBuffer()],
    [small, await decoded().resize(small, small, inside).jpeg(JPEG).toBuffer()],
  ] as const;
  try {
    for (const [size, bytes] of written) await writeWhole(here.files.proxy(sha256, size), bytes);
  } catch (error) {
    for (const [size] of written) await rm(here.files.proxy(sha256, size), { force: true });
    throw error;
  }
}
