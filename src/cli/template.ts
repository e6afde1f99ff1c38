/** `wobrel template`: template files checked, compared and brought up to date, without a server. */
import { readFile } from 'node:fs/promises';
import { changesOf } from '../core/changes';
import { WobrelError } from '../core/errors';
import { brokenLock, FIELD_GROUPS, openWords, parseTemplate, templateText, type Template } from '../core/template';
import { writeWhole } from '../server/store';
import { unpacked, type Unpacked } from './pictures';

const counted = (count: number, noun: string) => `${count} ${noun}${count === 1 ? '' : 's'}`;

export type TemplateFile = { readonly template: Template } & Pick<Unpacked, 'packed' | 'open'>;

/**
 * Reads a template's file.
 *
 * @throws WobrelError with the file's path and the field at fault
 */
export async function readTemplateFile(path: string): Promise<TemplateFile> {
  const text = await readFile(path, 'utf8').catch(() => {
    throw new WobrelError('no-such-file', `the template can’t be read: ${path}`, path);
  });
  let document: unknown;
  try {
    document = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    throw new WobrelError('template-invalid', `${path}: not JSON (${(error as Error).message})`, path);
  }
  try {
    const { document: own, ...rest } = unpacked(document);
    return { template: parseTemplate(own), ...rest };
  } catch (error) {
    if (error instanceof WobrelError) throw new WobrelError(error.code, `${path}: ${error.message}`, error.at);
    throw error;
  }
}

/** @throws WobrelError `locked` with the part that a template changes although the one that it is made from locks it */
export function refuseLocked(path: string, made: Template, { template, open }: TemplateFile): void {
  const group = brokenLock(open, made, [template]);
  if (group) throw new WobrelError('locked', `${path}: ${FIELD_GROUPS[group].label} can’t be changed in what is made from ${template.name}, which opens ${openWords(open!)}`, FIELD_GROUPS[group].keys[0]); // prettier-ignore
}

/**
 * A line for each file: what it holds, or what is wrong with it; and how many are wrong.
 *
 * @param from a template's file that they are made from: what it locks has to be as it is there
 */
export async function checkFiles(
  paths: readonly string[],
  from: string | null = null,
): Promise<{ lines: string[]; wrong: number }> {
  const origin = from === null ? null : await readTemplateFile(from);
  const lines: string[] = [];
  let wrong = 0;
  for (const path of paths)
    try {
      const { template } = await readTemplateFile(path);
      const { name, outputs, slots } = template;
      if (origin) refuseLocked(path, template, origin);
      const words = [counted(outputs.length, 'output'), ...(slots.length > 0 ? [counted(slots.length, 'slot')] : [])];
      lines.push(`${path}: good: ${name}, ${words.join(', ')}`);
    } catch (error) {
      if (!(error instanceof WobrelError)) throw error;
      wrong++;
      lines.push(error.message);
    }
  return { lines, wrong };
}

/** What the second file changed, a line each; none where both say the same. */
export async function differences(before: string, after: string): Promise<string[]> {
  const [one, other] = [await readTemplateFile(before), await readTemplateFile(after)];
  return changesOf(one.template, other.template);
}

/** Writes each file anew in today's form, with every default; whole, or not at all. */
export async function upgradeFiles(paths: readonly string[]): Promise<string[]> {
  // All are read before any is written: one that is wrong leaves the others as they were.
  const files = await Promise.all(paths.map(async (path) => ({ path, ...(await readTemplateFile(path)) })));
  for (const { path, template, packed, open } of files) await writeWhole(path, templateText(template, packed, open));
  return paths.map((path) => `${path}: written anew`);
}
