/** A template as a file that people send each other: readable, in a stable order, with the pictures that it shows. */
import { documentSchema } from './schema';
import type { Template } from './template';

/** What the file's name ends with. */
export const FILE_ENDING = '.wobrel.json';

/** Beside the file, or wherever an editor is told to look: docs/template.schema.json. */
const SCHEMA = './template.schema.json';

/**
 * @param pictures base64 of files, by their SHA-256; left out where there are none
 */
export function templateText(template: Template, pictures: Readonly<Record<string, string>> = {}): string {
  const fields = template as unknown as Readonly<Record<string, unknown>>;
  const own = Object.keys(documentSchema.shape)
    .filter((key) => key !== '$schema')
    .map((key) => [key, fields[key]]);
  const packed = Object.keys(pictures).length > 0 ? { pictures } : {};
  return `${JSON.stringify({ $schema: SCHEMA, ...Object.fromEntries(own), ...packed }, null, 2)}\n`;
}
