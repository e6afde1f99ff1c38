'use client';
import type { Point } from '@/core/shape';
import type { Picture } from '@/core/template';
import { pixelsOf, useDensity, type Pixels } from '../shared/pixels';
import { useSize } from '../shared/use-size';

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

/** The largest view of a picture in an element whose pixels are the screen's, followed as the element changes size. */
export function useView(picture: Picture) {
  const [ref, { width, height }] = useSize();
  const density = useDensity();
  const across = Math.min(width - 2 * MARGIN, ((height - 2 * MARGIN) * picture.width) / picture.height);
  const pixels: Pixels = pixelsOf(picture, across, density);
  const k = across > 0 ? pixels.room.width / picture.width : 0;
  const middle = (room: number, length: number) => Math.round(((room - length) / 2) * density) / density;
  const left = middle(width, pixels.room.width);
  const top = middle(height, pixels.room.height);
  const view: View = { k, x: left - picture.left * k, y: top - picture.top * k, width, height };
  /** The frame point under a pointer. */
  const pointAt = ([clientX, clientY]: readonly [number, number]): Point => {
    const corner = ref.current!.getBoundingClientRect();
    return [(clientX - corner.left - view.x) / k, (clientY - corner.top - view.y) / k];
  };
  return { ref, view, drawn: k > 0 ? pixels.drawn : 0, room: { left, top, ...pixels.room }, pointAt };
}
