'use client';
import { useEffect, useState } from 'react';

/** How long a template has to stay as it is before what can wait is worked out anew, ms: a slider's many values are not all looked at. */
const SETTLED = 400;

/** A value as it was when it last came to rest. */
export function useSettled<T>(value: T): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), SETTLED);
    return () => clearTimeout(timer);
  }, [value]);
  return settled;
}
