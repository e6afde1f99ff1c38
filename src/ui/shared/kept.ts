'use client';
import type { z } from 'zod';
import { create } from 'zustand';
import { createJSONStorage, persist } from 'zustand/middleware';

/**
 * A value that this browser keeps, for parts of the page that only a browser draws; what
 * was stored and is not of the schema is forgotten.
 *
 * @param where for all windows and for good, or for this window's reloads alone
 */
export function createKept<T>(name: string, schema: z.ZodType<T>, initial: T, where: 'browser' | 'window' = 'browser') {
  const use = create<{ readonly value: T }>()(
    persist(() => ({ value: initial }), {
      name: `wobrel.${name}`,
      storage: createJSONStorage(() => (where === 'window' ? sessionStorage : localStorage)),
      merge: (stored, now) => {
        const read = schema.safeParse((stored as { value?: unknown } | undefined)?.value);
        return read.success ? { value: read.data } : now;
      },
    }),
  );
  return {
    now: (): T => use.getState().value,
    useValue: () => use((state) => state.value),
    change: (change: (value: T) => T): void => {
      try {
        use.setState(({ value }) => ({ value: change(value) }));
      } catch (error) {
        // The value holds on this page; only the browser has no room to keep it.
        console.error(error);
      }
    },
  };
}
