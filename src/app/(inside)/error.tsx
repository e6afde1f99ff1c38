'use client';
export { Stopped as default } from '@/ui/shared/stopped';
