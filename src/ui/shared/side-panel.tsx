import type { ReactNode } from 'react';

/** The panel beside the middle. A scroll bar that takes room lies over its padding, and it scrolls no way but down. */
export function SidePanel({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    <aside className="side" aria-label={label}>
      <div className="side-room">{children}</div>
    </aside>
  );
}
