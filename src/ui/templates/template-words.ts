/** Templates in a line each, for their cards. */
import { hasSlots, type Template } from '@/core/template';
import type { UsedIn } from '@/server/services';
import { plural } from '../shared/words';
import { bordersWords, captionsWords, edgeWords, frameWords, shadowsWords, shapeName } from '../template/words';

/** Shape and size, and the finish where there is any. */
export function makesWords(template: Template): string {
  const { borders, shadows, captions, reflection, edge, slots } = template;
  const on = (layers: readonly { readonly on: boolean }[]) => layers.some((layer) => layer.on);
  return [
    hasSlots(template) ? plural(slots.length, 'slot') : shapeName(template.shape).toLowerCase(),
    frameWords(template),
    ...(edge.feather > 0 || edge.rounding > 0 ? [edgeWords(template)] : []),
    ...(on(borders) ? [`border ${bordersWords(template)}`] : []),
    ...(on(shadows) || reflection?.on ? [`shadow ${shadowsWords(template)}`] : []),
    ...(on(captions) ? [captionsWords(template)] : []),
  ].join(' · ');
}

export const outputsWords = ({ outputs }: Template): string =>
  outputs.map(({ name, format, width }) => `${name} ${width} px ${format.toUpperCase()}`).join(', ');

/** "in Autumn shelf (version 3) and 2 more". */
export function usesWords(usedIn: readonly UsedIn[], count: number, version: number): string {
  if (count === 0) return 'in no batch yet';
  const [first] = usedIn;
  const older = first!.version === version ? '' : ` (version ${first!.version})`;
  return `in ${first!.name}${older}${count > 1 ? ` and ${count - 1} more` : ''}`;
}
