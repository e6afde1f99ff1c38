/** What a batch's photos are of, as far as was seen. */
import { ruleFor, subjectOf, type Centred, type SeenPhoto } from './subject';

export type SeenKinds = {
  readonly faces: number;
  readonly subjects: number;
  /** A subject was found, with less confidence than the limit. */
  readonly unsure: number;
  readonly nothing: number;
};

/** As photos are centred that nobody has said anything about. */
const UNASKED: Centred = { rule: 'auto', faces: 'clearest', middle: 'box' };

/** @param confidence least confidence that counts as sure */
export function seenKinds(photos: readonly SeenPhoto[], confidence: number): SeenKinds {
  const kinds = { faces: 0, subjects: 0, unsure: 0, nothing: 0 };
  for (const photo of photos) {
    const rule = ruleFor(photo, UNASKED.rule);
    const found = subjectOf(photo, UNASKED);
    if (rule === 'face') kinds.faces++;
    else if (!found) kinds.nothing++;
    else if (found.confidence < confidence) kinds.unsure++;
    else kinds.subjects++;
  }
  return kinds;
}
