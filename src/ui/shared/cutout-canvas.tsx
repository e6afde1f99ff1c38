'use client';
import { useEffect, useRef } from 'react';
import { ratioOf, type Template } from '@/core/template';
import type { PreviewPhoto } from '@/preview';
import { paint } from './paint';
import { previewPool } from './preview';

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
    let current = true;
    void previewPool()
      .draw(template, width, [photo])
      .then(([drawn]) => {
        if (!current || !drawn || !canvas.current) return;
        if ('pixels' in drawn) paint(canvas.current, drawn);
        else onError?.(drawn.error);
      });
    return () => {
      current = false;
    };
  }, [template, photo, width, onError]);
  const style = cssWidth === null ? undefined : { width: cssWidth, height: cssWidth * ratioOf(template) };
  // Without words of its own it is an ornament beside its name.
  const words = label === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': label };
  return <canvas ref={canvas} {...words} style={style} width={1} height={1} />;
}
