/** What a table of photo data may hold, and how its texts are cleaned. */
import { z } from 'zod';
import { WobrelError } from '../errors';
import { fieldKey, isOwnField } from '../fields';

/** Most fields of a batch, most letters of a field's name and of what it says. */
export const MAX_FIELDS = 60;
const MAX_NAME = 60;
export const MAX_CELL = 2000;

/** Most rows that are read of a table: as many as photos that are changed at once. */
export const MAX_ROWS = 20_000;

/** One line of plain text: what breaks lines and other control characters are gaps. */
export const cleanCell = (text: string): string => text.replace(/[\u0000-\u001f\u007f\u0085\u2028\u2029]+/g, ' ').trim().slice(0, MAX_CELL); // prettier-ignore

/** A field's name: without the marks that texts put round it. */
function cleanName(text: string): string {
  const name = cleanCell(text.replace(/[{}|]/g, ' ')).replace(/\s+/g, ' ').slice(0, MAX_NAME).trim();
  return name === '__proto__' ? 'proto' : name;
}

/**
 * A text as the name of a new field.
 *
 * @throws WobrelError `invalid` where it can't be one
 */
export function newFieldName(text: string, others: readonly string[]): string {
  const name = cleanName(text);
  const refuse = (message: string) => new WobrelError('invalid', message);
  if (name === '') throw refuse('A field needs a name.');
  if (isOwnField(name)) throw refuse(`Every photo has {${fieldKey(name)}} already: call the field something else.`);
  if (others.some((other) => fieldKey(other) === fieldKey(name))) throw refuse(`There is a field ${name} already.`);
  return name;
}

/** Names for fields as a table's first row calls them: each there, free, and once. */
export function fieldNames(headers: readonly string[]): string[] {
  const taken = new Set<string>();
  return headers.map((header, i) => {
    const plain = cleanName(header) || `Column ${i + 1}`;
    const base = isOwnField(plain) ? `${plain.slice(0, MAX_NAME - 12)} (data)` : plain;
    let name = base;
    for (let n = 2; taken.has(fieldKey(name)); n++) name = `${base.slice(0, MAX_NAME - 4)} ${n}`;
    taken.add(fieldKey(name));
    return name;
  });
}

const nameSchema = z
  .string()
  .min(1)
  .max(MAX_NAME)
  .refine((name) => name === cleanName(name) && !isOwnField(name), {
    error: 'expected a name of a field without { } |',
  });

/** The fields of a batch's photos, in the order of their columns. */
export const fieldListSchema = z
  .array(nameSchema)
  .max(MAX_FIELDS)
  .refine((names) => new Set(names.map(fieldKey)).size === names.length, { error: 'expected each field once' });

/** A change of a photo's data: what fields say now; null where they say nothing any more. */
export const dataChangeSchema = z
  .record(nameSchema, z.string().max(MAX_CELL).nullable())
  .refine((change) => Object.keys(change).length <= MAX_FIELDS, { error: `expected at most ${MAX_FIELDS} fields` });
export type DataChange = z.infer<typeof dataChangeSchema>;

/** Data after a change. */
export function changedData(
  data: Readonly<Record<string, string>>,
  change: DataChange,
): Readonly<Record<string, string>> {
  const all = { ...data, ...change };
  return Object.fromEntries(Object.entries(all).filter((entry): entry is [string, string] => !!entry[1]));
}
