import '@fontsource-variable/atkinson-hyperlegible-next';
import type { Metadata } from 'next';
import type { ReactNode } from 'react';
import { Providers } from '@/ui/shared/providers';
import '@/ui/theme/theme.scss';

/** Every answer has a nonce of its own for its scripts: pages can't be made ahead. */
export const dynamic = 'force-dynamic';

export const metadata: Metadata = {
  title: { default: 'Wobrel', template: '%s – Wobrel' },
  description: 'Photos in, alike cutouts out.',
};

export default function Layout({ children }: { children: ReactNode }) {
  return (
    <html lang="en">
      <body>
        <Providers>{children}</Providers>
      </body>
    </html>
  );
}
