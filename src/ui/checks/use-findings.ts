'use client';
import { useEffect, useRef, useState } from 'react';
import type { Template } from '@/core/template';
import { createFindings, type FindingsSource } from '@/preview';
import type { PhotoRow } from '@/server/services';
import { useSettled } from '../shared/use-settled';
import { NO_FINDINGS, withChange, type PhotoFindings } from './photo-findings';

/** Checks all photos in a worker. Those left out are placed, but have no findings and are no measure for the others. */
export function useFindings(template: Template, photos: readonly PhotoRow[]): PhotoFindings {
  const settled = useSettled(template);
  const [findings, setFindings] = useState(NO_FINDINGS);
  const source = useRef<FindingsSource | null>(null);
  useEffect(() => {
    const made = createFindings(
      (change, about) => setFindings((before) => withChange(before, change, about.template, about.photos)),
      (fault) => setFindings({ ...NO_FINDINGS, fault }),
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
