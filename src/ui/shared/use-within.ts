'use client';
import { useState, type FocusEvent } from 'react';

/** Whether a mouse button or a finger is down. */
let isPressed = false;
if (typeof window !== 'undefined') {
  const note = (pressed: boolean) => () => {
    isPressed = pressed;
  };
  window.addEventListener('pointerdown', note(true), true);
  for (const end of ['pointerup', 'pointercancel']) window.addEventListener(end, note(false), true);
}

/**
 * Whether the focus is within an element, for what is shown only then. What is pressed elsewhere is
 * let go first: if all below moved up under the pointer, the click would go nowhere.
 */
export function useWithin() {
  const [within, setWithin] = useState(false);
  return {
    within,
    onFocus: () => setWithin(true),
    onBlur: ({ currentTarget, relatedTarget }: FocusEvent) => {
      if (currentTarget.contains(relatedTarget)) return;
      const leave = () => setWithin(currentTarget.contains(document.activeElement));
      if (isPressed) window.addEventListener('pointerup', () => setTimeout(leave), { once: true });
      else leave();
    },
  };
}
