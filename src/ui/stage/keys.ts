/** Keys that the handles of the stage share. */
import type { KeyboardEvent } from 'react';
import { stepIn, type Unit } from '@/core/template';

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Which way an arrow key goes, by 1, with shift by 10; null for any other key. */
export function arrowOf(event: KeyboardEvent): readonly [number, number] | null {
  const arrow = ARROWS[event.key];
  if (!arrow || event.ctrlKey || event.metaKey || event.altKey) return null;
  event.preventDefault();
  event.stopPropagation();
  const by = event.shiftKey ? 10 : 1;
  return [arrow[0] * by, arrow[1] * by];
}

/** How far an arrow key moves something, in that unit. */
export function arrowStep(event: KeyboardEvent, unit: Unit): readonly [number, number] | null {
  const arrow = arrowOf(event);
  return arrow && [arrow[0] * stepIn(unit), arrow[1] * stepIn(unit)];
}
