/** What the schema alone can't say about sets of layers, and about layers that are mixed. */
import { refuse } from './refuse';
import type { TemplateDocument } from './schema';

type Mixing = Pick<TemplateDocument, 'before' | 'sets'> & {
  readonly outputs: readonly Pick<TemplateDocument['outputs'][number], 'format'>[];
};

/** Why a file of layers can't keep a template, with the field; null where it can. */
function unlayered({ before, sets }: Mixing): readonly [at: string, why: string] | null {
  const setOf = (name: string | null) => sets.find((set) => set.name === name);
  let isMixed = false;
  for (const [i, { on, show, blend, set, ...layer }] of before.entries()) {
    if (!on) continue;
    const own = set === null ? blend : (setOf(set)?.blend ?? 'normal');
    if (own === 'exclusion') return [`before[${i}].blend`, 'a file of layers has no exclusion'];
    if (isMixed && show === 'hole' && layer.through === 'all' && set === null)
      return [`before[${i}].through`, 'in a file of layers no hole goes through what is mixed by a mode'];
    isMixed ||= own !== 'normal';
  }
  return null;
}

/**
 * Refuses sets of one name, and what a file of layers can't keep.
 *
 * @throws WobrelError `template-invalid` with the path of the field at fault
 */
export function refuseSets(template: Mixing): void {
  const names = new Map<string, number>();
  template.sets.forEach(({ name }, i) => {
    const other = names.get(name);
    if (other !== undefined) refuse(`sets[${i}].name`, `sets[${other}] is called ${name}, too`);
    names.set(name, i);
  });
  const why = template.outputs.some(({ format }) => format === 'ora') ? unlayered(template) : null;
  if (why) refuse(...why);
}
