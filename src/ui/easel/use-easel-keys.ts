'use client';
import { scaledBy, movedBy, type Adjustment } from '@/core/placement';
import { photoBox, stepIn, type Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';
import { useEaselScope, useKeys } from '../keys/use-keys';

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
/** One press of a key scales by this, and turns by so many degrees. */
const SCALE = 1.02;
const TURN = 0.5;

type EaselKeys = {
  readonly template: Template;
  /** The adjustment as it is at this moment. */
  readonly now: () => Adjustment;
  readonly keep: (words: string, next: Adjustment | null) => void;
  readonly go: (by: number) => void;
  readonly review: (state: PhotoRow['review']) => void;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly toggleBefore: () => void;
  readonly toggleTrueSize: () => void;
  readonly toggleSubject: () => void;
};

/** The easel by keys, by the table in `keys/table.ts`. */
export function useEaselKeys({ template, now, keep, go, review, ...rest }: EaselKeys): void {
  useEaselScope();
  const turn = (by: number) => keep('turned', { ...now(), angle: now().angle + by });
  useKeys('easel', {
    nudge: ({ key, shiftKey }) => {
      const [dx, dy] = ARROWS[key]!;
      const by = (shiftKey ? 10 : 1) * stepIn(template.frame.unit);
      keep('nudged', movedBy(now(), photoBox(template), [dx * by, dy * by]));
    },
    larger: () => keep('scaled', scaledBy(now(), SCALE)),
    smaller: () => keep('scaled', scaledBy(now(), 1 / SCALE)),
    turnLeft: () => turn(-TURN),
    turnRight: () => turn(TURN),
    next: () => go(1),
    back: () => go(-1),
    good: () => review('good'),
    leave: () => review('out'),
    look: () => review('open'),
    before: rest.toggleBefore,
    trueSize: rest.toggleTrueSize,
    pointOut: rest.toggleSubject,
    reset: () => keep('reset', null),
    easelUndo: rest.undo,
    easelRedo: rest.redo,
  });
}
