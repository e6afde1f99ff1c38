/** What the manifest says of the cutouts of a run. */
import { checker, compared } from '../core/checks';
import { failedItem, fileFindings, type ManifestItem } from '../core/export';
import type { Template } from '../core/template';
import type { RenderedPhoto } from '../server/render';
import type { SeenPhoto } from './seen';

/** A cutout and its files. */
export type Made = {
  readonly name: string;
  readonly photos: readonly (SeenPhoto | null)[];
  /** Its files, and of each its output's place in the template. */
  readonly files: readonly string[];
  readonly places: readonly number[];
  readonly rendered: RenderedPhoto;
};

/** Why there is none. */
export type Failed = { readonly name: string; readonly fault: string };

type Findings = RenderedPhoto['findings'];

/** What there is to say of photos that were looked at on the way: only now can each be compared with the others. */
function findingsAfter(template: Template, all: readonly Made[]): Map<Made, Findings> {
  const photos = all.map(({ photos: [photo], rendered: { sight } }) => ({ ...photo!, sight, unseen: sight === null }));
  const { means, twins } = compared(template, photos);
  const own = checker(template, means);
  return new Map(
    all.map((made, i) => {
      const seen = [{ ...photos[i]!, twin: twins[i] ?? null }];
      const findings = (place: number, k: number) => fileFindings(template, own, seen, place, made.rendered.files[k]!.bytes); // prettier-ignore
      return [made, Object.fromEntries(made.places.map((place, k) => [place, findings(place, k)]))];
    }),
  );
}

/** @param isLookedAtOnTheWay whether its photos were looked at as they were rendered */
export function itemsOf(
  template: Template,
  all: readonly (Made | Failed)[],
  isLookedAtOnTheWay: boolean,
): ManifestItem[] {
  const after = isLookedAtOnTheWay ? findingsAfter(template, all.filter((one) => 'rendered' in one)) : null; // prettier-ignore
  return all.flatMap((one) => {
    if ('fault' in one) return [failedItem(one.name, one.fault)];
    const { files: written, findings, sight: _, ...placed } = one.rendered;
    return one.places.map((place, i) => ({
      photo: one.name,
      output: template.outputs[place]!.name,
      file: one.files[i]!,
      ...written[i]!,
      ...placed,
      findings: (after?.get(one) ?? findings)[place]!,
      error: null,
    }));
  });
}
