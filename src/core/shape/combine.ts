/** Shapes made of others: unions, cuts and overlaps that keep curves as curves. */
import { freshBudget, type Budget } from './budget';
import { clip, type FillRule } from './clip';
import { distinct } from './distinct';
import type { Contour, Outline } from './path';

export type { FillRule } from './clip';
export type PartOp = 'add' | 'cut' | 'overlap';

/** Contours that may overlap, as filled by the rule, without overlaps: holes turn the other way. */
export const resolve = (contours: readonly Contour[], fillRule: FillRule, budget: Budget = freshBudget()): Outline =>
  clip('unite', contours, [], fillRule, budget);

/** Outlines united in one step: more hide each other's edges sooner when they go in turns. */
const AT_ONCE = 4;

/** All that any of the outlines covers; many are joined in a balanced tree, neighbours in the list first. */
export function unite(outlines: readonly Outline[], budget: Budget = freshBudget()): Outline {
  let level = distinct(outlines.filter((outline) => outline.length > 0));
  do {
    const groups = Array.from({ length: Math.ceil(level.length / AT_ONCE) }, (_, i) =>
      level.slice(i * AT_ONCE, (i + 1) * AT_ONCE),
    );
    level = groups.map((group) => resolve(group.flat(), 'nonzero', budget));
  } while (level.length > 1);
  return level[0] ?? [];
}

/** What the first covers and the second does not. */
export const subtract = (a: Outline, b: Outline, budget: Budget = freshBudget()): Outline =>
  clip('subtract', a, b, 'nonzero', budget);

/** What both cover. */
export const intersect = (a: Outline, b: Outline, budget: Budget = freshBudget()): Outline =>
  clip('intersect', a, b, 'nonzero', budget);

/**
 * Parts worked off in their order: each is added to what is there, cut out of it, or
 * keeps only where both lie. Parts of the same kind in a row go in one step.
 *
 * @throws WobrelError `shape-intricate` where it would take too long
 */
export function combine(
  parts: readonly { readonly op: PartOp; readonly outline: Outline }[],
  budget: Budget = freshBudget(),
): Outline {
  let result: Outline = [];
  for (let i = 0; i < parts.length;) {
    const { op } = parts[i]!;
    let end = i + 1;
    while (op !== 'overlap' && end < parts.length && parts[end]!.op === op) end++;
    const group = parts.slice(i, end).map((part) => part.outline);
    if (op === 'add') result = unite([result, ...group], budget);
    else if (op === 'cut') result = result.length > 0 ? subtract(result, unite(group, budget), budget) : result;
    else result = intersect(result, group[0]!, budget);
    i = end;
  }
  return result;
}
