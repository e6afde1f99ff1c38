'use client';
import PQueue from 'p-queue';
import { useEffect, useRef } from 'react';
import { ratioOf, type Template } from '@/core/template';
import type { PreviewPhoto } from '@/preview';
import { paint } from './paint';
import { previewPool } from './preview';

/** Few at a time: what the hand moves meanwhile does not wait in the worker behind all of a long list. */
const queue = new PQueue({ concurrency: 2 });

type CutoutCanvasProps = {
  readonly template: Template;
  readonly photo: PreviewPhoto;
  /** Width in pixels that are drawn, and in CSS pixels that it takes; null leaves the size to the style sheet. */
  readonly width: number;
  readonly cssWidth: number | null;
  /** Empty where the name stands beside it. */
  readonly label: string;
  readonly onError?: (message: string) => void;
};

/** One cutout on its own. */
export function CutoutCanvas({ template, photo, width, cssWidth, label, onError }: CutoutCanvasProps) {
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
  const style = cssWidth === null ? undefined : { width: cssWidth, height: cssWidth * ratioOf(template) };
  // Without words of its own it is an ornament beside its name.
  const words = label === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': label };
  return <canvas ref={canvas} {...words} style={style} width={1} height={1} />;
}
