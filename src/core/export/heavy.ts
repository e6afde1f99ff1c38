/** Files larger than their output allows. */
import type { Output } from '../template';
import type { ManifestItem } from './manifest';

/** Shops count in thousands; who counts in 1,024 allows a little more. */
const KB = 1000;

/** Most bytes of an output's files; null where there is no limit. */
export const mostBytes = ({ maxKB }: Pick<Output, 'maxKB'>): number | null => (maxKB === null ? null : maxKB * KB);

/** Formats whose files get smaller with their quality. */
const WITH_QUALITY: readonly Output['format'][] = ['webp', 'jpeg', 'avif'];
export const hasQuality = ({ format, lossless }: Pick<Output, 'format' | 'lossless'>): boolean =>
  WITH_QUALITY.includes(format) && !(lossless && hasLossless({ format }));

/** Formats that can be had with and without loss. */
export const hasLossless = ({ format }: Pick<Output, 'format'>): boolean => format === 'webp' || format === 'avif';

/** What is said of a file that could not be made small enough; null where it is. */
export function heavyFinding(output: Output, bytes: number): ManifestItem['findings'][number] | null {
  const most = mostBytes(output);
  if (most === null || bytes <= most) return null;
  const why = hasQuality(output)
    ? 'even at the lowest quality'
    : `${output.lossless && hasLossless(output) ? 'without loss there is' : `${output.format.toUpperCase()} has`} no quality to lower`;
  const message = `the file has ${Math.ceil(bytes / KB)} KB, the limit is ${output.maxKB} KB; ${why}: make it smaller, or choose another format`;
  return { check: 'heavy', value: bytes / KB, message };
}
