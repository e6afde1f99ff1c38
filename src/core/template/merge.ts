/** Two people's changes of one template brought together. */
import type { Template } from './template';

const isObject = (v: unknown): v is Readonly<Record<string, unknown>> =>
  typeof v === 'object' && v !== null && !Array.isArray(v);

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Objects of another kind share names of fields, not their meaning. */
const isAlike = (...all: readonly Readonly<Record<string, unknown>>[]): boolean =>
  all.every(({ kind }) => kind === all[0]!.kind);

function merged(base: unknown, mine: unknown, theirs: unknown): unknown {
  if (same(mine, base)) return theirs;
  if (same(theirs, base)) return mine;
  if (isObject(base) && isObject(mine) && isObject(theirs) && isAlike(base, mine, theirs)) {
    const keys = new Set([...Object.keys(theirs), ...Object.keys(mine)]);
    return Object.fromEntries([...keys].map((key) => [key, merged(base[key], mine[key], theirs[key])]));
  }
  const lists = [base, mine, theirs];
  // Lists as long as before are changed in their places; else nobody knows what belongs to what.
  if (lists.every(Array.isArray) && lists.every((list) => list.length === (base as unknown[]).length))
    return (theirs as unknown[]).map((v, i) => merged((base as unknown[])[i], (mine as unknown[])[i], v));
  return theirs;
}

/**
 * The other's template with one's own changes, where both did not change the same: there the other's stand.
 *
 * @param base what both began from
 */
export const mergeTemplates = (base: Template, mine: Template, theirs: Template): Template =>
  merged(base, mine, theirs) as Template;
