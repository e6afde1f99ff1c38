'use client';
import { useEffect, useRef, useState, type RefObject } from 'react';
import { createMean } from '@/core/raster';
import type { Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';
import { previewPool } from '../shared/preview';

/** Width of the averaged picture, pixels. */
export const WIDTH = 420;
/** Of more cutouts than this, each is drawn half as large and less finely: the mean of many is soft anyway, and several times as quick. */
const MANY = 300;
/** Cutouts drawn at a time; the next ones are drawn while these are added up. */
const CHUNK = 16;

/** Draws the average of all cutouts, a few more at a time; and says how many are in it. Starts anew with every change of the template. */
export function useAverage(
  template: Template,
  photos: readonly PhotoRow[],
): { readonly canvas: RefObject<HTMLCanvasElement | null>; readonly done: number } {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [done, setDone] = useState(0);
  const key = photos.map(({ id }) => id).join();
  const wanted = useRef(photos);
  useEffect(() => {
    wanted.current = photos;
  });
  useEffect(() => {
    let current = true;
    const run = async () => {
      const list = wanted.current;
      const isMany = list.length > MANY;
      const size = isMany ? WIDTH / 2 : WIDTH;
      const mean = createMean();
      const draw = (from: number) => previewPool().draw(template, size, list.slice(from, from + CHUNK), isMany);
      let next = draw(0);
      for (let i = 0; i < list.length && current; i += CHUNK) {
        const drawn = await next;
        if (!current) return;
        if (i + CHUNK < list.length) next = draw(i + CHUNK);
        const shown = drawn.filter((one) => 'pixels' in one);
        for (const { pixels } of shown) mean.add(pixels);
        if (shown.length === 0 || !canvas.current) continue;
        const { width, height } = shown[0]!;
        if (canvas.current.width !== width) Object.assign(canvas.current, { width, height });
        canvas.current.getContext('2d')!.putImageData(new ImageData(mean.pixels(), width, height), 0, 0);
        canvas.current.dataset.averaged = String(mean.count());
        setDone(mean.count());
      }
    };
    void run();
    return () => {
      current = false;
    };
  }, [template, key]);
  return { canvas, done };
}
