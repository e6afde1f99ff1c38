/** What each step of a batch comes to, in a few words. */
import type { countBatch } from '@/core/checks';
import type { Template } from '@/core/template';
import type { BatchDetail } from '@/server/services';
import { areChecked, type PhotoFindings } from '../checks/photo-findings';
import { amount, plural } from '../shared/words';
import { centreWords } from '../template/words';
import type { Step } from './steps-bar';

type State = {
  readonly batch: Pick<BatchDetail, 'saved' | 'refusalCount'>;
  readonly template: Template;
  /** Whether the template is another than the saved one. */
  readonly edited: boolean;
  /** Photos of the batch, loaded or not. */
  readonly total: number;
  readonly counts: ReturnType<typeof countBatch>;
  readonly findings: PhotoFindings;
};

function checkWords({ counts: { toLookAt }, findings, total }: State): string {
  if (findings.fault) return 'not checked';
  if (toLookAt > 0) return `${amount(toLookAt)} to look at`;
  if (!areChecked(findings, total)) return 'checking…';
  const { length } = findings.ofOutputs;
  return length > 0 ? `${plural(length, 'output')} to look at` : 'nothing to look at';
}

export function stepWords(state: State): Readonly<Record<Step, string>> {
  const { batch, template, edited, total, counts } = state;
  return {
    photos: [
      amount(total),
      ...(counts.leftOut > 0 ? [`${amount(counts.leftOut)} left out`] : []),
      ...(batch.refusalCount > 0 ? [`${amount(batch.refusalCount)} not taken`] : []),
    ].join(', '),
    template: `${template.name}${batch.saved ? `, ${edited ? 'changed' : `v${batch.saved.version}`}` : ''}`,
    centre: centreWords(template),
    check: checkWords(state),
    export: plural(template.outputs.length, 'output'),
  };
}
