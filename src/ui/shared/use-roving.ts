'use client';
import { useRef, type KeyboardEvent } from 'react';

const STEPS: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

/**
 * One stop of the Tab key for a group of choices; arrows go from choice to choice (WAI-ARIA
 * Authoring Practices, radio group).
 *
 * @returns what the group and each of its buttons need
 */
export function useRoving<T extends string>(values: readonly T[], value: T, onChange: (value: T) => void) {
  const group = useRef<HTMLDivElement>(null);
  // Where none of them holds, the first is the stop.
  const stop = values.includes(value) ? value : values[0];
  const onKeyDown = (event: KeyboardEvent) => {
    const step = STEPS[event.key];
    if (step === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    const at = values.indexOf((event.currentTarget as HTMLElement).dataset.value as T);
    const next = values[(at + step + values.length) % values.length]!;
    onChange(next);
    group.current?.querySelector<HTMLElement>(`[data-value="${next}"]`)?.focus();
  };
  return {
    group,
    choice: (own: T) => ({
      role: 'radio',
      'data-value': own,
      'aria-checked': own === value,
      tabIndex: own === stop ? 0 : -1,
      onClick: () => onChange(own),
      onKeyDown,
    }),
  } as const;
}
