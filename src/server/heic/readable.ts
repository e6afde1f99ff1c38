/** Photos as files that all else can read. */
import { isHeic } from '../intake';

/**
 * Where a photo lies that can be worked with: the file itself, or at `to` what `develop` makes of a HEIC photo.
 *
 * @throws WobrelError `photo-broken`, `photo-too-large` or `photo-too-much`
 */
export async function readable(
  path: string,
  to: () => Promise<string> | string,
  develop: (path: string, to: string) => Promise<void>,
): Promise<string> {
  if (!(await isHeic(path))) return path;
  const place = await to();
  await develop(path, place);
  return place;
}
