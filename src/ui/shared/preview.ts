'use client';
import { createPreviewPool, type PreviewPool } from '@/preview';

let pool: PreviewPool | null = null;

/** The page's preview workers, started on first use. */
export const previewPool = () => (pool ??= createPreviewPool());
