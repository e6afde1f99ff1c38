import { closingAdjustment, inFrame } from '../placement';
import type { Point } from '../shape';
import { RIM_CELLS } from '../sight';
import { photoBox } from '../template';
import { defineCheck, type CheckInput } from './check';
import { distanceToEdge } from './edge';

/** Steps of this much (ΔE*ab) are seen at a glance: some four times what is just noticed (2.3: Mahy, Van Eycken and Oosterlinck 1994). */
const LIMIT = 10;
/** What is drawn out less far than this share of the shape's box is not seen. */
const SEEN = 0.02;

/** In the order of `rimOf`: a place along the side, and the direction outwards, in shares of the photo's width and height. */
const SIDES: readonly { readonly name: string; readonly at: (t: number) => Point; readonly out: Point }[] = [
  { name: 'upper', at: (t) => [t, 0], out: [0, -1] },
  { name: 'right', at: (t) => [1, t], out: [1, 0] },
  { name: 'lower', at: (t) => [t, 1], out: [0, 1] },
  { name: 'left', at: (t) => [0, t], out: [-1, 0] },
];

/** The worst step of those that the shape shows drawn out, and its side. */
function worst({ template, outline, photo, placement }: CheckInput): { value: number; side: string } {
  const { width, height } = photoBox(template);
  const reach = (SEEN * Math.max(width, height)) / placement.scale;
  let most = { value: 0, side: SIDES[0]!.name };
  for (const [k, { name: side, at, out }] of SIDES.entries())
    for (let i = 0; i < RIM_CELLS; i++) {
      const value = parseInt(photo.sight!.rim![k]!.slice(2 * i, 2 * i + 2), 16);
      if (value <= most.value) continue;
      const [x, y] = at((i + 0.5) / RIM_CELLS);
      const beyond: Point = [x * photo.width + out[0] * reach, y * photo.height + out[1] * reach];
      // Steps that raise no finding are not asked where they are.
      if (value <= LIMIT || distanceToEdge(outline, inFrame(placement, photo, beyond)) > 0) most = { value, side };
    }
  return most;
}

/** Steps of colour along the rim, drawn out into the shape, that the photo does not have just within (`rimOf`). A mirrored rim draws nothing out. */
export const streaks = defineCheck({
  id: 'streaks',
  label: 'Continued ground streaks',
  about: 'photo',
  measure: (input) => {
    const { gap, extend } = input.template.centring;
    if (gap !== 'extend' || extend === 'mirror' || input.placement.gap === 0) return null;
    return input.photo.sight?.rim ? worst(input).value : null;
  },
  limit: () => LIMIT,
  brief: () => 'streaks',
  explain: (value, input) =>
    `something at the ${worst(input).side} rim is drawn out into streaks: steps of ΔE ${value} that the photo does not have further in, the limit is ${LIMIT}`,
  mend: () => 'enlarge the photo until it covers, move it, or mirror the rim instead',
  repair: {
    words: 'enlarge until it covers',
    change: ({ template, photo }) => ({ adjustment: closingAdjustment(template, photo) }),
  },
});
