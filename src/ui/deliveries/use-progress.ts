'use client';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import type { DeliveryProgress } from '@/server/services';
import { anew } from '../shared/anew';

export const isOver = ({ state }: Pick<DeliveryProgress, 'state'>) =>
  state === 'done' || state === 'cancelled' || state === 'failed';

/** A delivery as it goes on: the server reports until it is over. */
export function useProgress(first: DeliveryProgress): DeliveryProgress {
  const [live, setLive] = useState<DeliveryProgress | null>(null);
  const client = useQueryClient();
  const { id } = first;
  const over = isOver(first);
  useEffect(() => {
    if (over) return;
    const events = new EventSource(`/api/deliveries/${id}/events`);
    events.onmessage = (event: MessageEvent<string>) => {
      const progress = JSON.parse(event.data) as DeliveryProgress;
      setLive(progress);
      if (!isOver(progress)) return;
      events.close();
      void anew(client, ['deliveries']);
    };
    return () => {
      events.close();
      setLive(null);
    };
  }, [id, over, client]);
  return over ? first : (live ?? first);
}
