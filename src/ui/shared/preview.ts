'use client';
import { createPreviewPool, type PreviewPool } from '@/preview';
import { paint } from './paint';
import { createPainting } from './painting';

let pool: PreviewPool | null = null;

/** The page's preview workers, started on first use. */
export const previewPool = () => (pool ??= createPreviewPool());

let scheduler: ReturnType<typeof createPainting> | null = null;

/** What paints every list of cutouts on the page. */
export const painting = () => (scheduler ??= createPainting(previewPool().draw, paint));
