import type { HandSubject } from '@/core/placement';
import type { FoundSubject } from '@/core/sight';

/** What is kept with a photo of a subject whose outline was found for somebody who pointed at it, or at others like it. */
export const outlined = ({
  box,
  body,
  centroid,
  area,
  mask,
}: FoundSubject): Extract<HandSubject, { box: unknown }> => ({
  box: [...box],
  ...(body && { body: [...body] }),
  centroid,
  area,
  mask,
});
