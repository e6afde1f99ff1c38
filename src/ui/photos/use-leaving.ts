'use client';
import { useEffect } from 'react';
import { pageHeaders } from '../shared/api';
import type { PhotoSaves } from './photo-saves';

/** Letters of a request that outlives its page: it may have 64 KiB (Fetch Standard, HTTP-network-or-cache fetch), and most letters are one byte. */
const MOST_LETTERS = 60_000;

/** Saves what is left when the page goes; asks before it goes where that is more than it can take along. */
export function useLeaving(batchId: number, saves: PhotoSaves): void {
  useEffect(() => {
    const onAsk = (event: BeforeUnloadEvent) => {
      if (saves.pendingLetters() > MOST_LETTERS) event.preventDefault();
    };
    const onLeave = () => {
      const changes = saves.unsent();
      if (changes.length === 0) return;
      const headers = { ...pageHeaders(), 'content-type': 'application/json' };
      void fetch(`/api/batches/${batchId}/photos`, { method: 'PATCH', keepalive: true, headers, body: JSON.stringify({ changes }) }); // prettier-ignore
    };
    window.addEventListener('beforeunload', onAsk);
    window.addEventListener('pagehide', onLeave);
    return () => {
      window.removeEventListener('beforeunload', onAsk);
      window.removeEventListener('pagehide', onLeave);
    };
  }, [batchId, saves]);
}
