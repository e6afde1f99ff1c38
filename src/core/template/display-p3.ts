/** Outputs in Display P3: a template whose colours are said in it. */
import { colourSchema, hexInDisplayP3 } from '../paint';
import type { Output, Template } from './template';

/** Where colours stand in a document; what else looks like one is somebody's words. */
const COLOURED: ReadonlySet<string> = new Set(['paint', 'backdrop', 'matte', 'color', 'into', 'stops', 'highlight', 'shade', 'dark', 'light']); // prettier-ignore

/** What stands before the sum of a picture that is wanted in Display P3. */
export const WIDE_PICTURE = 'p3:';

function saidText(text: string, key: string): string {
  if (key === 'picture') return WIDE_PICTURE + text;
  return COLOURED.has(key) && colourSchema.safeParse(text).success ? hexInDisplayP3(text) : text;
}

/** A part of a document, found under a key, so said; what has no colours in it stays the very same, as outlines are remembered by it. */
function said<T>(value: T, key: string): T {
  if (typeof value === 'string') return saidText(value, key) as T;
  if (value === null || typeof value !== 'object') return value;
  if (Array.isArray(value)) {
    const list = value.map((one: unknown) => said(one, key));
    return list.every((one, i) => one === value[i]) ? value : (list as T);
  }
  const fields = Object.entries(value as Readonly<Record<string, unknown>>);
  const next = fields.map(([name, one]) => [name, said(one, name)] as const);
  return next.every(([, one], i) => one === fields[i]![1]) ? value : (Object.fromEntries(next) as T);
}

/** The template with every colour in the numbers of Display P3, and its pictures wanted so. */
export const inDisplayP3 = (template: Template): Template => said(template, '');

/** Formats that can say what their numbers mean. */
export const holdsProfile = ({ format }: Pick<Output, 'format'>): boolean => format !== 'gif';

/** Whether an output's numbers are those of Display P3. */
export const isDisplayP3 = (output: Pick<Output, 'format' | 'profile'>): boolean =>
  output.profile === 'display-p3' && holdsProfile(output);
