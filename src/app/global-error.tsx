'use client';
import { Stopped, type StoppedProps } from '@/ui/shared/stopped';
import '@/ui/theme/theme.scss';

/** Where the layout of all pages fails itself. */
export default function GlobalError({ error }: StoppedProps) {
  return (
    <html lang="en">
      <body>
        <Stopped error={error} />
      </body>
    </html>
  );
}
