import './globals.css';

import type { Metadata } from 'next';
import type { ReactNode } from 'react';

import { THEME_SCRIPT } from '@/ui/common/themeScript';
import { Providers } from '@/ui/common/Providers';

export const metadata: Metadata = {
  title: { default: 'Cyclogon', template: '%s · Cyclogon' },
  description: 'Draw one wedge, turn it exactly, merge it, hand it on.',
};

export default function RootLayout({ children }: { readonly children: ReactNode }) {
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        <script dangerouslySetInnerHTML={{ __html: THEME_SCRIPT }} />
      </head>
      <body>
        <Providers>{children}</Providers>
      </body>
    </html>
  );
}
