'use client';
import { createContext, use, type ReactNode } from 'react';
import { isLocked, withLocksKept, type FieldGroup, type OpenFields } from '@/core/template';
import type { TemplateStore } from './store';

/** The saved template that says what may be changed here; null where nothing is locked. */
export type Locks = { readonly name: string; readonly open: OpenFields } | null;

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
      <p className="small-text mb-1">
        Locked by {locks!.name}. To change it here, save the template under another name.
      </p>
      <fieldset disabled className="locked">
        {children}
      </fieldset>
    </>
  );
}

/** The store without what a change would do to locked parts, wherever the change comes from. */
export const lockedStore = (store: TemplateStore, open: OpenFields): TemplateStore =>
  open === null ? store : { ...store, change: (change) => store.change((t) => withLocksKept(open, t, change(t))) };
