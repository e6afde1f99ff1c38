'use client';
import type { AriaAttributes } from 'react';
import { useKeyNames } from './key-names';

type KeyProps = Pick<AriaAttributes, 'aria-hidden'> & { readonly shown: string };

/** A key, or several, as the keyboard here has them. */
export function Key({ shown, ...aria }: KeyProps) {
  return <kbd {...aria}>{useKeyNames()(shown)}</kbd>;
}
