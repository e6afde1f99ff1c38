/** Outputs in Display P3: a template whose colours are said in it. */
import { colourSchema, hexInDisplayP3 } from '../paint';
import type { Output, Template } from './template';

/** Where colours stand in a document; what else looks like one is somebody's words. */
const COLOURED: ReadonlySet<string> = new Set(['paint', 'backdrop', 'matte', 'color', 'into', 'stops', 'highlight', 'shade', 'dark', 'light']); // prettier-ignore

/** A part of a document so said; what has no colours in it stays the very same, as outlines are remembered by it. */
function said<T>(value: T, isColoured: boolean): T {
  if (typeof value === 'string')
    return (isColoured && colourSchema.safeParse(value).success ? hexInDisplayP3(value) : value) as T;
  if (value === null || typeof value !== 'object') return value;
  if (Array.isArray(value)) {
    const list = value.map((one: unknown) => said(one, isColoured));
    return list.every((one, i) => one === value[i]) ? value : (list as T);
  }
  const fields = Object.entries(value as Readonly<Record<string, unknown>>);
  const next = fields.map(([key, one]) => [key, said(one, COLOURED.has(key))] as const);
  return next.every(([, one], i) => one === fields[i]![1]) ? value : (Object.fromEntries(next) as T);
}

/** What stands before the sum of a picture that is wanted in Display P3. */
export const WIDE_PICTURE = 'p3:';

const widePictures = <L extends { readonly picture: string | null }>(layers: readonly L[]): L[] =>
  layers.map((layer) => (layer.picture === null ? layer : { ...layer, picture: WIDE_PICTURE + layer.picture }));

/** The template with every colour in the numbers of Display P3, and its pictures wanted so. */
export const inDisplayP3 = (template: Template): Template => {
  const wide = said(template, false);
  return { ...wide, behind: widePictures(wide.behind), before: widePictures(wide.before) };
};

/** Formats that can say what their numbers mean. */
export const holdsProfile = ({ format }: Pick<Output, 'format'>): boolean => format !== 'gif';

/** Whether an output's numbers are those of Display P3. */
export const isDisplayP3 = (output: Pick<Output, 'format' | 'profile'>): boolean =>
  output.profile === 'display-p3' && holdsProfile(output);
