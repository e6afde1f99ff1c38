'use client';
import { useMemo } from 'react';
import { boundsOfOutline, outlineOf, pathData, type Shape } from '@/core/shape';

type ShapePictureProps = { readonly shape: Shape; readonly size: number };

/** A shape as a small picture that fills its square. */
export function ShapePicture({ shape, size }: ShapePictureProps) {
  const { d, view } = useMemo(() => {
    const outline = outlineOf(shape);
    if (outline.length === 0) return { d: '', view: '0 0 1 1' };
    const [left, top, right, bottom] = boundsOfOutline(outline);
    const side = Math.max(right - left, bottom - top);
    return {
      d: pathData(outline, 2),
      view: [(left + right - side) / 2, (top + bottom - side) / 2, side, side].join(' '),
    };
  }, [shape]);
  return (
    <svg className="shape-picture" width={size} height={size} viewBox={view} aria-hidden>
      <path d={d} fill="currentColor" />
    </svg>
  );
}
