'use client';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import type { BatchDetail, Seen } from '@/server/services';
import type { PhotoEdits } from '../photos/use-edits';
import { anew } from '../shared/anew';
import { say } from '../shared/say';
import { useWatch } from '../shared/use-watch';
import type { SaveState } from '../template/draft-saves';

type Together = {
  readonly batchId: number;
  readonly save: SaveState;
  /** Follows what somebody else has saved of the template. */
  readonly follow: (theirs: BatchDetail) => boolean;
  readonly takeOthers: PhotoEdits['takeOthers'];
};

/** What others do to a batch, as they do it, and who they are. */
export function useTogether({ batchId, save, follow, takeOthers }: Together): Seen['others'] {
  const client = useQueryClient();
  const [theirs, setTheirs] = useState<BatchDetail | null>(null);
  const onSeen = async ({ photos, isMore }: Seen, isGap: boolean) => {
    if (photos === null || isGap) await anew(client, ['photos', batchId]);
    else if (photos.length > 0) await takeOthers(photos);
    if (photos?.length === 0 && !isMore && !isGap) return;
    await anew(client, ['batch', batchId]);
    setTheirs(client.getQueryData<BatchDetail>(['batch', batchId]) ?? null);
  };
  const others = useWatch(`/api/batches/${batchId}/events`, onSeen);
  const following = useRef(follow);
  useEffect(() => {
    following.current = follow;
  });
  // Also once one's own save is over: what came meanwhile may be somebody else's.
  useEffect(() => {
    if (save.kind === 'saved' && theirs && following.current(theirs)) say('The template was changed by somebody else');
  }, [theirs, save.kind]);
  return others;
}
