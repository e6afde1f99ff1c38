/** Two people's changes of one template brought together. */
import { saysTheSame } from './same';
import type { Template } from './template';

const isObject = (v: unknown): v is Readonly<Record<string, unknown>> =>
  typeof v === 'object' && v !== null && !Array.isArray(v);

/** Objects of another kind share names of fields, not their meaning. */
const isAlike = (...all: readonly Readonly<Record<string, unknown>>[]): boolean =>
  all.every(({ kind }) => kind === all[0]!.kind);

/** One place of a document that both have changed, each in another way. */
export type Collision = {
  /** Its field, as a document writes it: `borders[0].width`. */
  readonly at: string;
  readonly base: unknown;
  readonly mine: unknown;
  readonly theirs: unknown;
};

/** Says whose value stands where both have changed the same. */
type Choose = (collision: Collision) => 'mine' | 'theirs';

function merged(base: unknown, mine: unknown, theirs: unknown, at: string, choose: Choose): unknown {
  if (saysTheSame(mine, base) || saysTheSame(mine, theirs)) return theirs;
  if (saysTheSame(theirs, base)) return mine;
  if (isObject(base) && isObject(mine) && isObject(theirs) && isAlike(base, mine, theirs)) {
    const keys = new Set([...Object.keys(theirs), ...Object.keys(mine)]);
    return Object.fromEntries(
      [...keys].map((key) => [key, merged(base[key], mine[key], theirs[key], at ? `${at}.${key}` : key, choose)]),
    );
  }
  const lists = [base, mine, theirs];
  // Lists as long as before are changed in their places; else nobody knows what belongs to what.
  if (lists.every(Array.isArray) && lists.every((list) => list.length === (base as unknown[]).length))
    return (theirs as unknown[]).map((v, i) =>
      merged((base as unknown[])[i], (mine as unknown[])[i], v, `${at}[${i}]`, choose),
    );
  return choose({ at, base, mine, theirs }) === 'mine' ? mine : theirs;
}

/**
 * The other's template with one's own changes.
 *
 * @param base what both began from
 * @param choose asked where both changed the same; the other's stand where it is left out
 */
export const mergeTemplates = (
  base: Template,
  mine: Template,
  theirs: Template,
  choose: Choose = () => 'theirs',
): Template => merged(base, mine, theirs, '', choose) as Template;

/** Everything that both have changed, each in another way. */
export function collisionsOf(base: Template, mine: Template, theirs: Template): Collision[] {
  const found: Collision[] = [];
  mergeTemplates(base, mine, theirs, (collision) => {
    found.push(collision);
    return 'theirs';
  });
  return found;
}
