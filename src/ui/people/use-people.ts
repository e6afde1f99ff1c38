'use client';
import { useQuery } from '@tanstack/react-query';
import type { Person, Token } from '@/server/people';
import { api } from '../shared/api';

export const PEOPLE = ['people'];

/** Mail that would have been sent. */
export type Mail = { readonly id: number; readonly to: string; readonly subject: string; readonly token: string };

export const usePeople = () =>
  useQuery({ queryKey: [...PEOPLE, 'all'], queryFn: () => api<{ people: Person[] }>('/api/people') });

export const useTokens = () =>
  useQuery({ queryKey: [...PEOPLE, 'tokens'], queryFn: () => api<{ tokens: Token[] }>('/api/tokens') });

export const useOutbox = () =>
  useQuery({ queryKey: [...PEOPLE, 'outbox'], queryFn: () => api<{ mails: Mail[] }>('/api/outbox') });
