/** How cutouts are laid on pages. All lengths are millimetres. */
import { z } from 'zod';

/** ISO 216 and ANSI/ASME Y14.1, upright. */
export const PAPERS = { a4: [210, 297], a3: [297, 420], letter: [215.9, 279.4] } as const;

const mm = (most: number, least = 0) => z.coerce.number().min(least).max(most);

export const setupSchema = z.strictObject({
  paper: z.enum(['a4', 'a3', 'letter', 'own']).default('a4'),
  /** Of paper of one's own. */
  pageWidth: mm(2000, 20).default(210),
  pageHeight: mm(2000, 20).default(297),
  landscape: z.stringbool().default(false),
  margin: mm(200).default(12),
  gap: mm(200).default(6),
  /** Of each cutout's file. */
  width: mm(2000, 5).default(50),
  /** Below each, with fields like file names; nothing for none. */
  caption: z.string().max(200).default('{photo}'),
  /** Marks at the corners, or the shape's outline in a layer of its own. */
  marks: z.enum(['none', 'crop', 'cut']).default('none'),
});
export type PageSetup = z.infer<typeof setupSchema>;

/** Width and height of the page. */
export function pageSize({ paper, pageWidth, pageHeight, landscape }: PageSetup): readonly [number, number] {
  const [w, h] = paper === 'own' ? [pageWidth, pageHeight] : PAPERS[paper];
  return landscape && paper !== 'own' ? [h, w] : [w, h];
}
