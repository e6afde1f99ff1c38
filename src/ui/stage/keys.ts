/** Keys that the handles of the stage share. */
import type { KeyboardEvent } from 'react';

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** How far an arrow key moves, in frame units: 1, with shift 10; null for any other key. */
export function arrowStep(event: KeyboardEvent): readonly [number, number] | null {
  const arrow = ARROWS[event.key];
  if (!arrow || event.ctrlKey || event.metaKey || event.altKey) return null;
  event.preventDefault();
  event.stopPropagation();
  const by = event.shiftKey ? 10 : 1;
  return [arrow[0] * by, arrow[1] * by];
}
