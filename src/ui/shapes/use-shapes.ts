'use client';
import { useQuery } from '@tanstack/react-query';
import type { ShapeLibrary } from '@/server/services';
import { api } from '../shared/api';

/** Own shapes, and what uses which shape. */
export const useShapes = () => useQuery({ queryKey: ['shapes'], queryFn: () => api<ShapeLibrary>('/api/shapes') });
