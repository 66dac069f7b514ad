'use client';

import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { Toaster } from 'sonner';

export function Providers({ children }: { readonly children: ReactNode }) {
  const [client] = useState(() => new QueryClient({ defaultOptions: { queries: { retry: 1 } } }));
  return (
    <QueryClientProvider client={client}>
      {children}
      <Toaster
        position="top-center"
        offset={60}
        toastOptions={{
          style: {
            background: 'var(--shell)',
            color: 'var(--ink)',
            border: '1px solid var(--line-strong)',
            borderRadius: 8,
            fontFamily: 'var(--font-sans)',
            fontSize: 13,
          },
          actionButtonStyle: { background: 'var(--kelp)', color: 'var(--on-kelp)' },
        }}
      />
    </QueryClientProvider>
  );
}
