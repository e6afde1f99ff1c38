/** Every check on one photo. */
import { heldAdjustment, placer, type Placed, type Placer } from '../placement';
import { hasSlots, photoOutline, slotTemplates, unenlarged, type Output, type Template } from '../template';
import type { BatchMeans, CheckDefinition, CheckedPhoto, CheckInput, Finding, Mend } from './check';
import { NO_MEANS } from './means';
import { CHECKS } from './registry';

/** A photo's findings, where it lies, and what mends each. */
export type Checker = {
  readonly place: (photo: CheckedPhoto) => Placed;
  /**
   * A finding that reads the same for two outputs is given once.
   *
   * @param only one output, where not all are asked about
   * @param checks some of all
   */
  readonly check: (photo: CheckedPhoto, only?: Output, checks?: readonly CheckDefinition[]) => Finding[];
  /** What one click does about a finding; null where only people can do something. */
  readonly mend: (photo: CheckedPhoto, check: string) => Mend | null;
};

/** In what lies round the photos there is none to be at fault. */
const concerns = ({ about }: CheckDefinition, { content }: Output) => about === 'output' || content === 'cutout';

function findingOf(check: CheckDefinition, input: CheckInput): Finding | null {
  const value = check.measure(input);
  if (value === null) return null;
  const limit = check.limit(input);
  if (value <= limit + 1e-9) return null;
  return {
    check: check.id,
    about: check.about,
    value,
    limit,
    brief: check.brief(value, input),
    message: check.explain(value, input),
    mend: check.mend(input),
  };
}

/** Every check for one template; `batch` gives what others of the batch are like. */
export function checker(template: Template, batch: BatchMeans = NO_MEANS, place: Placer = placer(template)): Checker {
  if (hasSlots(template)) return slotChecker(template, batch, place);
  const outline = photoOutline(template);
  const inputFor = (photo: CheckedPhoto, output: Output): CheckInput => {
    const placement = place(photo);
    return { template, outline, output: unenlarged(template, output, [placement.scale]), photo, placement, batch };
  };
  return {
    place,
    check: (photo, only, checks = CHECKS) => {
      const findings = new Map<string, Finding>();
      const inputs = (only ? [only] : template.outputs).map((output) => ({
        of: output,
        input: inputFor(photo, output),
      }));
      for (const check of checks)
        for (const { of, input } of inputs) {
          if (!concerns(check, of)) continue;
          const finding = findingOf(check, input);
          if (finding) findings.set(`${check.id}: ${finding.message}`, finding);
        }
      return [...findings.values()];
    },
    mend: (photo, id) => {
      const definition = CHECKS.find((check) => check.id === id);
      const mend = definition?.repair?.change(inputFor(photo, template.outputs[0]!)) ?? null;
      return mend && 'adjustment' in mend && mend.adjustment ? { adjustment: heldAdjustment(mend.adjustment) } : mend;
    },
  };
}

/** Each photo checked by its slot; what is the same for all photos of it is told of every slot. */
function slotChecker(template: Template, batch: BatchMeans, place: Placer): Checker {
  const each = slotTemplates(template).map((own) => checker(own, batch, place));
  const of = ({ slot }: CheckedPhoto) => each[slot ?? 0]!;
  return {
    place,
    check: (photo, only, checks) => of(photo).check(photo, only, checks),
    mend: (photo, check) => of(photo).mend(photo, check),
  };
}
