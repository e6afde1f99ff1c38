import { z } from 'zod';
import { defineShape } from '../definition';
import { mapOutline, turnThenMove, type Affine } from '../path';
import { pen } from '../pen';

const TURNS = { bottom: 0, left: 90, top: 180, right: 270 } as const;

/** Half round: half an ellipse that fills the box, its flat side where it is said. */
export const halfRound = defineShape({
  kind: 'half-round',
  label: 'Half round',
  also: ['semicircle', 'dome'],
  aspect: 2,
  params: { flat: z.enum(['bottom', 'left', 'top', 'right']).default('bottom') },
  controls: {
    flat: {
      label: 'Flat side',
      as: 'choice',
      options: { bottom: 'below', left: 'left', top: 'above', right: 'right' },
    },
  },
  handles: {},
  outline: ({ flat }, { width, height }) => {
    const lying = flat === 'left' || flat === 'right';
    const [w, h] = lying ? [height, width] : [width, height];
    const up = [
      pen(-w / 2, h / 2)
        .arc(0, h / 2, w / 2, h, Math.PI, Math.PI)
        .close(),
    ];
    // Quarter turns without the rounding errors of sine and cosine.
    const turn = turnThenMove(TURNS[flat], 0, 0).map(Math.round) as unknown as Affine;
    return mapOutline(up, turn);
  },
});
