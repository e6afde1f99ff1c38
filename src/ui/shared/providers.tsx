'use client';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { Questions } from './ask';
import { useState, type ReactNode } from 'react';
import { HotkeysProvider } from 'react-hotkeys-hook';
import { z } from 'zod';

// Zod tries whether it may compile code, which the page's policy forbids: browsers report that as a fault.
if (typeof window !== 'undefined') z.config({ jitless: true });

export function Providers({ children }: { children: ReactNode }) {
  const [client] = useState(
    () => new QueryClient({ defaultOptions: { queries: { retry: 1, refetchOnWindowFocus: false } } }),
  );
  return (
    <QueryClientProvider client={client}>
      <HotkeysProvider initiallyActiveScopes={['page', 'wall', 'table']}>
        {children}
        <Questions />
      </HotkeysProvider>
    </QueryClientProvider>
  );
}
