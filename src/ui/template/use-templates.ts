'use client';
import { useQuery } from '@tanstack/react-query';
import type { SavedTemplate } from '@/server/services';
import { api } from '../shared/api';

/** Every saved template with its newest version. */
export const useTemplates = () =>
  useQuery({ queryKey: ['templates'], queryFn: () => api<{ templates: SavedTemplate[] }>('/api/templates') });
