/** A template as a file that people send each other: readable, in a stable order, with the pictures that it shows. */
import { z } from 'zod';
import { WobrelError } from '../errors';
import { OPENABLE, type OpenFields } from './locks';
import { documentSchema } from './schema';
import type { Template } from './template';

/** What the file's name ends with. */
export const FILE_ENDING = '.wobrel.json';

/** Beside the file, or wherever an editor is told to look: docs/template.schema.json. */
const SCHEMA = './template.schema.json';

/** What a file holds: the document, what may be changed in batches, and the pictures that it shows. */
export const fileSchema = documentSchema.extend({
  open: z
    .array(z.enum(OPENABLE as [string, ...string[]]))
    .optional()
    .meta({ description: 'Parts and single fields that batches may change; left out for everything' }),
  pictures: z
    .record(z.string().regex(/^[0-9a-f]{64}$/), z.string())
    .optional()
    .meta({ description: 'Base64 of files, by their SHA-256' }),
});

/**
 * @param pictures base64 of files, by their SHA-256; left out where there are none
 * @param open what may be changed in batches; left out where everything may be
 */
export function templateText(
  template: Template,
  pictures: Readonly<Record<string, string>> = {},
  open: OpenFields = null,
): string {
  const fields = template as unknown as Readonly<Record<string, unknown>>;
  const own = Object.keys(documentSchema.shape)
    .filter((key) => key !== '$schema')
    .map((key) => [key, fields[key]]);
  const packed = Object.keys(pictures).length > 0 ? { pictures } : {};
  const locks = open ? { open } : {};
  return `${JSON.stringify({ $schema: SCHEMA, ...Object.fromEntries(own), ...locks, ...packed }, null, 2)}\n`;
}

/**
 * What a file says that batches may change; null for everything. What nobody knows by now is locked.
 *
 * @throws WobrelError `template-invalid`
 */
export function openOf(value: unknown): OpenFields {
  if (value === undefined || value === null) return null;
  if (!Array.isArray(value) || !value.every((one) => typeof one === 'string'))
    throw new WobrelError('template-invalid', 'open: expected a list of parts and fields', 'open');
  return OPENABLE.filter((one) => value.includes(one));
}
