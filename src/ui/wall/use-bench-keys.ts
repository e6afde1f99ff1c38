'use client';
import { useRouter } from 'next/navigation';
import type { RefObject } from 'react';
import type { History } from '../history/history';
import { useKeys } from '../keys/use-keys';
import type { Step } from './steps-bar';

const FOCUSABLE = 'button:not([disabled]), input:not([hidden]), select, a[href], summary';

/** The keys of a batch's screen that hold wherever on it the focus is. */
export function useBenchKeys(
  screen: RefObject<HTMLElement | null>,
  { undo, redo }: Pick<History, 'undo' | 'redo'>,
  setStep: (step: Step) => void,
  toggleFinish: () => void,
  batchId: number,
): void {
  const router = useRouter();
  useKeys('page', {
    undo,
    redo,
    toPhotos: () => setStep('photos'),
    toTemplate: () => setStep('template'),
    toCentre: () => setStep('centre'),
    toCheck: () => setStep('check'),
    toExport: () => setStep('export'),
    toWall: () => screen.current?.querySelector<HTMLElement>('.wall-scroll[tabindex]')?.focus(),
    toPanel: () => screen.current?.querySelector('.side')?.querySelector<HTMLElement>(FOCUSABLE)?.focus(),
    finish: toggleFinish,
    report: () => router.push(`/batches/${batchId}/report`),
  });
}
