/** The pictures that a template shows. */
import type { TemplateDocument } from './schema';

/** Each use with the field that names it; layers that are off, too, as they may be switched on. */
export function picturesOf(
  template: Pick<TemplateDocument, 'behind' | 'before'>,
): readonly { readonly sha256: string; readonly at: string }[] {
  return (['behind', 'before'] as const).flatMap((list) =>
    template[list].flatMap(({ show, picture }, i) =>
      show === 'picture' && picture !== null ? [{ sha256: picture, at: `${list}[${i}].picture` }] : [],
    ),
  );
}
