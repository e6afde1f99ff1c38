'use client';
import { useEffect, useRef, useState } from 'react';
import type { Point } from '@/core/shape';
import type { Picture } from '@/core/template';

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

/** The largest view of a picture in an element, followed as it changes size. */
export function useView(picture: Picture) {
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
  const k = Math.max(0, Math.min((width - 2 * MARGIN) / picture.width, (height - 2 * MARGIN) / picture.height));
  const middle = (room: number, begin: number, length: number) => (room - length * k) / 2 - begin * k;
  const x = middle(width, picture.left, picture.width);
  const y = middle(height, picture.top, picture.height);
  const view: View = { k, x, y, width, height };
  /** The frame point under a pointer. */
  const pointAt = ([clientX, clientY]: readonly [number, number]): Point => {
    const { left, top } = ref.current!.getBoundingClientRect();
    return [(clientX - left - view.x) / k, (clientY - top - view.y) / k];
  };
  return { ref, view, pointAt };
}
