'use client';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { Framing } from '@/core/template';
import type { OwnFraming } from '@/server/services';
import { api } from '../shared/api';

const KEY = ['framings'];

/** The framings that people have kept. */
export const useFramings = () =>
  useQuery({ queryKey: KEY, queryFn: () => api<readonly OwnFraming[]>('/api/framings') });

/** Keeps one more, or takes one out. */
export function useFramingChanges() {
  const client = useQueryClient();
  const onSuccess = () => client.invalidateQueries({ queryKey: KEY });
  const keep = useMutation({
    mutationFn: (body: { readonly name: string; readonly framing: Framing }) => api('/api/framings', 'POST', body),
    onSuccess,
  });
  const remove = useMutation({ mutationFn: (id: number) => api(`/api/framings/${id}`, 'DELETE'), onSuccess });
  return { keep: keep.mutateAsync, remove: remove.mutateAsync };
}
