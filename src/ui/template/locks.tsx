'use client';
import { createContext, use, type ReactNode } from 'react';
import { isLocked, withLocksKept, type FieldGroup, type OpenFields } from '@/core/template';
import type { TemplateStore } from './store';

/** What may be changed here, and why no more; null where nothing is locked. */
export type Locks = { readonly open: OpenFields; readonly why: string } | null;

/** The saved template says it. */
export const lockedBy = (name: string, open: OpenFields): Locks => ({
  open,
  why: `Locked by ${name}. To change it here, save the template under another name.`,
});

export const LOOKING_ON = 'You look on here as viewer: nothing is changed.';

/** Whoever only looks on changes nothing. */
export const FOR_VIEWERS: Locks = { open: [], why: LOOKING_ON };

export const LocksContext = createContext<Locks>(null);

/** Whether a part of the template is locked on this batch. */
export function useLocked(group: FieldGroup | undefined): boolean {
  const locks = use(LocksContext);
  return group !== undefined && locks !== null && isLocked(locks.open, group);
}

/** Controls of one part of the template: greyed, with the reason, where it is locked. */
export function Lockable({
  group,
  children,
}: {
  readonly group: FieldGroup | undefined;
  readonly children: ReactNode;
}) {
  const locks = use(LocksContext);
  if (!useLocked(group)) return children;
  return (
    <>
      <p className="small-text mb-1">{locks!.why}</p>
      <fieldset disabled className="locked">
        {children}
      </fieldset>
    </>
  );
}

/** Controls of one part among those of others: greyed where it is locked; its own section says why. */
export const Greyed = ({ group, children }: { readonly group: FieldGroup; readonly children: ReactNode }) => (
  <fieldset disabled={useLocked(group)}>{children}</fieldset>
);

/** The store without what a change would do to locked parts, wherever the change comes from. */
export const lockedStore = (store: TemplateStore, open: OpenFields): TemplateStore =>
  open === null ? store : { ...store, change: (change) => store.change((t) => withLocksKept(open, t, change(t))) };
