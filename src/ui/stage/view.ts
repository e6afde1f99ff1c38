'use client';
import { useEffect, useRef, useState } from 'react';
import type { Point } from '@/core/shape';

/** How the frame lies on the stage: `k` CSS pixels per frame unit, its corner at (x, y). */
export type View = {
  readonly k: number;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
};

/** Room around the frame for handles, CSS pixels. */
const MARGIN = 36;

export const onScreen = ({ k, x, y }: View, [fx, fy]: Point): Point => [x + fx * k, y + fy * k];

/** The largest view of a frame in an element, followed as it changes size. */
export function useView(frame: { readonly width: number; readonly height: number }) {
  const ref = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      setSize({ width, height });
    });
    if (ref.current) observer.observe(ref.current);
    return () => observer.disconnect();
  }, []);
  const { width, height } = size;
  const k = Math.max(0, Math.min((width - 2 * MARGIN) / frame.width, (height - 2 * MARGIN) / frame.height));
  const view: View = { k, x: (width - frame.width * k) / 2, y: (height - frame.height * k) / 2, width, height };
  /** The frame point under a pointer. */
  const pointAt = ([clientX, clientY]: readonly [number, number]): Point => {
    const { left, top } = ref.current!.getBoundingClientRect();
    return [(clientX - left - view.x) / k, (clientY - top - view.y) / k];
  };
  return { ref, view, pointAt };
}
