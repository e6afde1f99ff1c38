/** Rules of a destination for the files that it takes, so that what it would refuse is known before. */
import { z } from 'zod';

export const rulesSchema = z.object({
  /** As the last part of their media types. */
  formats: z.array(z.string().max(40)).max(40).optional(),
  maxBytes: z.number().positive().optional(),
  /** Pixels. */
  maxWidth: z.number().positive().optional(),
  maxHeight: z.number().positive().optional(),
  names: z
    .object({
      /** All characters that a name may have. */
      characters: z.string().max(2000).optional(),
      longest: z.number().positive().optional(),
      /** Whether a name may have folders. */
      folders: z.boolean().optional(),
    })
    .optional(),
});
export type Rules = z.infer<typeof rulesSchema>;

export type RuledFile = {
  readonly name: string;
  /** Media type. */
  readonly type: string;
  readonly bytes: number;
  readonly width: number;
  readonly height: number;
};

const thousands = (bytes: number) => `${Math.ceil(bytes / 1000)} KB`;

/** What of a name is against the rules. */
function nameRefused(name: string, { characters, longest, folders }: NonNullable<Rules['names']>): string | null {
  if (folders === false && name.includes('/')) return 'names without folders are wanted';
  if (longest !== undefined && name.length > longest)
    return `the name has ${name.length} characters, ${longest} are taken`;
  const odd = characters === undefined ? undefined : [...name].find((one) => one !== '/' && !characters.includes(one));
  return odd === undefined ? null : `names may not have “${odd}”`;
}

/** Why a file would not be taken, in words; null where it would. */
export function refusedBy(rules: Rules, { name, type, bytes, width, height }: RuledFile): string | null {
  const { formats, maxBytes, maxWidth = Infinity, maxHeight = Infinity, names = {} } = rules;
  const format = type.replace(/^image\//, '');
  if (formats && !formats.includes(format)) return `${format} is not taken, only ${formats.join(', ')}`;
  if (maxBytes !== undefined && bytes > maxBytes)
    return `${thousands(bytes)}, at most ${thousands(maxBytes)} are taken`;
  if (width > maxWidth || height > maxHeight)
    return `${width} × ${height} px, at most ${maxWidth === Infinity ? 'any width' : maxWidth} × ${maxHeight === Infinity ? 'any height' : maxHeight} px are taken`;
  return nameRefused(name, names);
}
