'use client';
import { useEffect } from 'react';

/** Fields and dialogs have their own use of what is pasted, and spreadsheets put a picture beside the cells that were copied. */
function filesIn({ clipboardData, target, defaultPrevented }: ClipboardEvent): File[] {
  const isElsewhere = target instanceof Element && target.closest('input, textarea, [role=dialog]') !== null;
  if (defaultPrevented || isElsewhere || !clipboardData) return [];
  return clipboardData.getData('text/html').includes('<table') ? [] : [...clipboardData.files];
}

/** Files that are pasted onto the page are as those that are dropped on it. */
export function usePastedFiles(onFiles: (files: File[]) => void, isOff: boolean): void {
  useEffect(() => {
    if (isOff) return;
    const take = (event: ClipboardEvent) => {
      const files = filesIn(event);
      if (files.length === 0) return;
      event.preventDefault();
      onFiles(files);
    };
    document.addEventListener('paste', take);
    return () => document.removeEventListener('paste', take);
  }, [onFiles, isOff]);
}
