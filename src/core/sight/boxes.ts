/** Boxes as left, top, width and height. */
export type Box = readonly [left: number, top: number, width: number, height: number];

/** Common area of two boxes over the area of both together, 0…1. */
export function overlap([l, t, w, h]: Box, [l2, t2, w2, h2]: Box): number {
  const across = Math.max(0, Math.min(l + w, l2 + w2) - Math.max(l, l2));
  const down = Math.max(0, Math.min(t + h, t2 + h2) - Math.max(t, t2));
  return (across * down) / (w * h + w2 * h2 - across * down);
}
