/** The shape that the stage works on: the whole, or one part of a combined shape. */
import { combinedOf, IDENTITY, partsMap, type Affine, type Shape } from '@/core/shape';

export type Edited = {
  readonly shape: Shape;
  /** From the shape's own units to the frame's. */
  readonly map: Affine;
  /** The whole with this shape instead; null where nothing would be left of it. */
  readonly whole: (shape: Shape) => Shape | null;
};

export function editedOf(whole: Shape, part: number | null): Edited {
  const chosen = whole.kind === 'combined' && part !== null ? whole.parts[part] : undefined;
  if (whole.kind !== 'combined' || !chosen) return { shape: whole, map: IDENTITY, whole: (shape) => shape };
  return {
    shape: chosen.shape,
    map: partsMap(whole),
    whole: (shape) =>
      combinedOf(
        whole.parts.map((p, i) => (i === part ? { ...p, shape } : p)),
        whole,
      ),
  };
}
