'use client';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { PreviewPhoto } from '@/preview';
import type { TemplateHistory } from '@/server/services';
import type { PhotoPage } from '../photos/photo-pages';
import { inSlots, tilesOf } from '../photos/in-slots';
import { worded } from '../photos/worded';
import { api } from '../shared/api';

/** Photos that versions are compared on: the first of the batch that used the template last. */
const MOST = 36;

const NONE: readonly PreviewPhoto[] = [];

export function useComparedPhotos({ usedIn, versions }: TemplateHistory): readonly PreviewPhoto[] {
  const [batch] = usedIn;
  const { data } = useQuery({
    queryKey: ['templates', 'compared', batch?.id],
    queryFn: () => api<PhotoPage>(`/api/batches/${batch!.id}/photos?offset=0&limit=${MOST}`),
    enabled: batch !== undefined,
  });
  const { slots, fill } = versions[0]!.template;
  return useMemo(() => {
    if (!data || !batch) return NONE;
    const photos = inSlots({ slots, fill }, worded(data.photos, batch, false));
    return tilesOf(photos, photos).filter(({ review }) => review !== 'out');
  }, [data, batch, slots, fill]);
}
