'use client';
import { useMemo } from 'react';
import type { Template } from '@/core/template';
import type { BatchDetail } from '@/server/services';
import { inSlots, tilesOf } from '../photos/in-slots';
import { counts, worded } from '../photos/worded';
import { usePhotos } from './use-photos';

/** Cutouts that another version of the template is shown on before it is taken. */
const COMPARED = 36;

/** A batch's photos as its template has them: worded, in their slots, and the cutouts that they make. */
export function useBenchPhotos({ id, name, fields }: Pick<BatchDetail, 'id' | 'name' | 'fields'>, template: Template) {
  const { photos: rows, total, error } = usePhotos(id);
  const isCounted = counts(template);
  const { slots, fill } = template;
  const photos = useMemo(
    () => inSlots({ slots, fill }, worded(rows, { name, fields }, isCounted)),
    [slots, fill, rows, name, fields, isCounted],
  );
  const counted = useMemo(() => photos.filter(({ review }) => review !== 'out'), [photos]);
  const tiles = useMemo(() => tilesOf(photos, photos), [photos]);
  const compared = useMemo(() => tiles.filter(({ review }) => review !== 'out').slice(0, COMPARED), [tiles]);
  return { photos, counted, tiles, compared, total, error };
}
