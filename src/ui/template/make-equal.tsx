'use client';
import { Button } from 'react-bootstrap';
import { unequalSizes } from '@/core/checks';
import type { Placed } from '@/core/placement';
import type { Template } from '@/core/template';
import { plural } from '../shared/words';
import { FindingMark } from '../shared/finding-mark';

/** A change of the template that is only looked at so far. */
export type Trial = { readonly words: string; readonly template: Template };

type MakeEqualProps = {
  readonly template: Template;
  readonly placed: Iterable<Placed>;
  /** Shows a change on the wall before it is taken. */
  readonly onTry: (trial: Trial) => void;
};

const percent = (share: number) => `${Math.round(share * 100)} %`;

/** Where subjects differ in size since some photos had to be enlarged: what would make all equal. */
export function MakeEqual({ template, placed, onTry }: MakeEqualProps) {
  const unequal = unequalSizes(template, placed);
  if (!unequal) return null;
  const { count, least, most, continued, resized } = unequal;
  const by = percent(least) === percent(most) ? percent(most) : `${percent(least)} to ${percent(most)}`;
  const size = resized.centring.size;
  const words = typeof size === 'number' ? `all at ${percent(size)}` : 'all as large as the largest';
  return (
    <section className="side-block" aria-label="Subjects of different size">
      <p className="mb-1">
        <FindingMark />
        {plural(count, 'subject')} {count === 1 ? 'is' : 'are'} {by} larger than the others: the{' '}
        {count === 1 ? 'photo does' : 'photos do'} not reach the edge otherwise.
      </p>
      <Button
        variant="plain"
        className="me-2 mb-1"
        onClick={() => onTry({ words: 'the ground continued', template: continued })}
      >
        Continue the ground
      </Button>
      <Button variant="plain" className="mb-1" onClick={() => onTry({ words, template: resized })}>
        {words[0]!.toUpperCase() + words.slice(1)}
      </Button>
    </section>
  );
}
