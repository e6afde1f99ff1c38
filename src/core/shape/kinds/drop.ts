import { defineShape, shareParam } from '../definition';
import { mapOutline, scaleThenMove } from '../path';
import { pen } from '../pen';

const UNIT = 1024;

/**
 * Drop: a round bottom and a tip on top. The bottom is half an ellipse; from its sides the
 * flanks swing in to the tip, straighter the `sharper` it is.
 */
export const drop = defineShape({
  kind: 'drop',
  label: 'Drop',
  also: ['tear', 'water'],
  aspect: 0.7,
  params: { bottom: shareParam(0.2, 0.45, 0.32), sharpness: shareParam(0, 1, 0.5) },
  controls: { bottom: { label: 'Round part', as: 'share' }, sharpness: { label: 'Sharpness', as: 'share' } },
  handles: {
    bottom: ({ bottom }, { width: w, height: h }) => [w / 2, (0.5 - bottom) * h],
    sharpness: ({ sharpness }, { width: w, height: h }) => [0.32 * (1 - sharpness) * w, -0.24 * h],
  },
  outline: ({ bottom, sharpness }, { width, height }) => {
    const middle = 0.5 - bottom;
    // Handle that continues the half ellipse without a kink.
    const rise = bottom * (0.7 + 0.25 * sharpness);
    const neck = 0.32 * (1 - sharpness);
    const drawn = pen(0, -0.5 * UNIT)
      .curve(neck * UNIT, (-0.5 + 0.26) * UNIT, 0.5 * UNIT, (middle - rise) * UNIT, 0.5 * UNIT, middle * UNIT)
      .arc(0, middle * UNIT, 0.5 * UNIT, bottom * UNIT, 0, Math.PI)
      .curve(-0.5 * UNIT, (middle - rise) * UNIT, -neck * UNIT, (-0.5 + 0.26) * UNIT, 0, -0.5 * UNIT)
      .close();
    return mapOutline([drawn], scaleThenMove(width / UNIT, height / UNIT));
  },
});
