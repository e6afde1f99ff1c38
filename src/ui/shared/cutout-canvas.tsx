'use client';
import PQueue from 'p-queue';
import { useEffect, useRef } from 'react';
import { pictureOf, type Template } from '@/core/template';
import type { PreviewPhoto } from '@/preview';
import { paint } from './paint';
import { pixelsOf, useDensity } from './pixels';
import { previewPool } from './preview';

/** Few at a time: what the hand moves meanwhile does not wait in the worker behind all of a long list. */
const queue = new PQueue({ concurrency: 2 });

type CutoutCanvasProps = {
  readonly template: Template;
  readonly photo: PreviewPhoto;
  /** The width that it has room for, CSS pixels. */
  readonly cssWidth: number;
  /** Most pixels that are drawn; it is enlarged from there. */
  readonly atMost?: number;
  /** Empty where the name stands beside it. */
  readonly label: string;
  readonly onError?: (message: string) => void;
};

/** One cutout on its own. */
export function CutoutCanvas({ template, photo, cssWidth, atMost, label, onError }: CutoutCanvasProps) {
  const { drawn: width, room } = pixelsOf(pictureOf(template), cssWidth, useDensity(), atMost);
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const left = new AbortController();
    const show = async () => {
      const [drawn] = await previewPool().draw(template, width, [photo]);
      if (left.signal.aborted || !drawn || !canvas.current) return;
      if ('pixels' in drawn) paint(canvas.current, drawn);
      else onError?.(drawn.error);
    };
    // What is no longer wanted is taken out of the queue, which says so by failing.
    queue.add(show, { signal: left.signal }).catch(() => {});
    return () => left.abort();
  }, [template, photo, width, onError]);
  // Without words of its own it is an ornament beside its name.
  const words = label === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': label };
  return <canvas ref={canvas} {...words} style={room} width={1} height={1} />;
}
