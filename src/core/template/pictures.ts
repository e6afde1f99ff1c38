/** The pictures that a template shows. */

/** A use of a picture, with the field that names it. */
export type PictureUse = { readonly sha256: string; readonly at: string };

/** Of these nothing is asked: they are long, and no picture stands in them. */
const WITHOUT: ReadonlySet<string> = new Set(['shape', 'pins', 'captions', 'outputs']);

/** Each use, in layers and in paints; layers that are off, too, as they may be switched on. */
export function picturesOf(document: unknown, at = ''): readonly PictureUse[] {
  if (typeof document !== 'object' || document === null) return [];
  if (Array.isArray(document)) return document.flatMap((one: unknown, i) => picturesOf(one, `${at}[${i}]`));
  const fields = document as Readonly<Record<string, unknown>>;
  const below = at === '' ? '' : `${at}.`;
  const own = typeof fields.picture === 'string' && (fields.show === 'picture' || fields.kind === 'pattern');
  return [
    ...(own ? [{ sha256: fields.picture as string, at: `${below}picture` }] : []),
    ...Object.entries(fields).flatMap(([key, one]) => (WITHOUT.has(key) ? [] : picturesOf(one, below + key))),
  ];
}
