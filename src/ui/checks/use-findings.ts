'use client';
import { useEffect, useRef, useState } from 'react';
import type { Template } from '@/core/template';
import { createFindings, type FindingsSource } from '@/preview';
import type { PhotoRow } from '@/server/services';
import { NO_FINDINGS, withChange, type PhotoFindings } from './photo-findings';

/** How long a template has to stay as it is before photos are checked anew, ms: a slider's many values are not all checked. */
const SETTLED = 400;

function useSettled<T>(value: T): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), SETTLED);
    return () => clearTimeout(timer);
  }, [value]);
  return settled;
}

/** Checks all photos in a worker. Those left out are placed, but have no findings and are no measure for the others. */
export function useFindings(template: Template, photos: readonly PhotoRow[]): PhotoFindings {
  const settled = useSettled(template);
  const [findings, setFindings] = useState(NO_FINDINGS);
  const source = useRef<FindingsSource | null>(null);
  useEffect(() => {
    const made = createFindings(
      (change, about) => setFindings((before) => withChange(before, change, about.template, about.photos)),
      (message) => console.error(message),
    );
    source.current = made;
    return () => {
      source.current = null;
      made.close();
      setFindings(NO_FINDINGS);
    };
  }, []);
  useEffect(() => source.current?.ask(settled, photos), [settled, photos]);
  return findings;
}
