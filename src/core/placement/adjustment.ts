import { z } from 'zod';

/** How far an adjustment may move, in shares of the shape's box, and scale. */
const [FARTHEST, SMALLEST, LARGEST] = [100, 0.01, 100];

/**
 * A change by hand to the rule's result: moved by shares of the shape's box, scaled and
 * turned about the wanted spot. Kept in proportion, so it survives another template.
 */
export const adjustmentSchema = z.strictObject({
  x: z.number().min(-FARTHEST).max(FARTHEST).default(0),
  y: z.number().min(-FARTHEST).max(FARTHEST).default(0),
  scale: z.number().min(SMALLEST).max(LARGEST).default(1),
  angle: z.number().min(-360).max(360).default(0),
});
export type Adjustment = z.infer<typeof adjustmentSchema>;
export const UNADJUSTED: Adjustment = { x: 0, y: 0, scale: 1, angle: 0 };

const held = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value));

export const heldScale = (scale: number): number => held(scale, SMALLEST, LARGEST);

/** As near to it as an adjustment may come; whole turns count for nothing. */
export const heldAdjustment = ({ x, y, scale, angle }: Adjustment): Adjustment => ({
  x: held(x, -FARTHEST, FARTHEST),
  y: held(y, -FARTHEST, FARTHEST),
  scale: heldScale(scale),
  angle: Math.abs(angle) > 360 ? angle % 360 : angle,
});
