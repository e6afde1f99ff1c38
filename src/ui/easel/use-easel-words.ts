'use client';
import { useEffect, useRef } from 'react';
import type { Finding } from '@/core/checks';
import { number } from '@/core/layers';
import type { Adjustment } from '@/core/placement';
import { photoBox, type Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';
import { say } from '../shared/say';
import { plural } from '../shared/words';

/** Nudges that follow each other are told together, ms. */
const PAUSE_MS = 400;

type EaselWords = {
  readonly photo: PhotoRow;
  readonly place: number;
  readonly count: number;
  readonly adjustment: Adjustment;
  readonly found: readonly Finding[] | undefined;
  readonly template: Template;
};

/** Says which photo is on the easel and what is wrong with it, and where a change has brought it. */
export function useEaselWords({ photo, place, count, adjustment, found, template }: EaselWords): void {
  const { frame } = template;
  const room = photoBox(template);
  const findings = found ? `${plural(found.length, 'finding')}: ${found.map(({ brief }) => brief).join(', ')}` : 'no findings'; // prettier-ignore
  const opening = `${photo.name}, ${place + 1} of ${count}, ${findings}`;
  const { x, y, scale, angle } = adjustment;
  const lies = `${number(x * room.width)} ${frame.unit} across, ${number(y * room.height)} down, ${number(scale * 100)} %, turned by ${number(angle)}°`;
  const newest = useRef(findings);
  useEffect(() => {
    newest.current = findings;
  });
  const before = useRef<number | null>(null);
  useEffect(() => {
    if (before.current !== photo.id) {
      before.current = photo.id;
      return say(opening);
    }
    const timer = setTimeout(() => say(`${photo.name}: ${lies}, ${newest.current}`), PAUSE_MS);
    return () => clearTimeout(timer);
    // oxlint-disable-next-line react/exhaustive-deps -- what was found meanwhile is said with the next photo or change
  }, [photo.id, lies]);
}
