'use client';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { Questions } from './ask';
import { useState, type ReactNode } from 'react';
import { HotkeysProvider } from 'react-hotkeys-hook';

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
