import './globals.css';

import type { Metadata } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';

import { Providers, THEME_SCRIPT } from '@/ui/common';

export const metadata: Metadata = {
  title: { default: 'Cyclogon', template: '%s · Cyclogon' },
  description: 'Draw one wedge, turn it exactly, merge it, hand it on.',
};

export default async function RootLayout({ children }: { readonly children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        <script nonce={nonce} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: THEME_SCRIPT }} />
      </head>
      <body>
        <Providers>{children}</Providers>
      </body>
    </html>
  );
}
