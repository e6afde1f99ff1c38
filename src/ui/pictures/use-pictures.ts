'use client';
import { useQuery } from '@tanstack/react-query';
import type { KeptPicture } from '@/server/services';
import { api } from '../shared/api';

/** Every picture that templates can show, the newest first. */
export const usePictures = () =>
  useQuery({ queryKey: ['pictures'], queryFn: () => api<{ pictures: KeptPicture[] }>('/api/pictures') });

export const pictureAddress = (sha256: string) => `/api/pictures/${sha256}`;

/** The same, no larger than lists show it. */
export const smallPictureAddress = (sha256: string) => `${pictureAddress(sha256)}?size=small`;
