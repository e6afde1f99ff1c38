'use client';
import { useEffect, useMemo, useState } from 'react';
import { checker, meansOf, twinsOf, type Checker, type CheckedPhoto, type Finding } from '@/core/checks';
import { placer, type Placed } from '@/core/placement';
import type { Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';

export type PhotoFindings = {
  /** By photo, those about the photo itself; photos without any are left out. */
  readonly byPhoto: ReadonlyMap<number, readonly Finding[]>;
  /** Those about the template or an output, which are the same for every photo. */
  readonly ofOutputs: readonly Finding[];
  /** Where each photo lies. */
  readonly placed: ReadonlyMap<number, Placed>;
  readonly mend: (photo: PhotoRow, check: string) => ReturnType<Checker['mend']>;
};

/** How long a template has to stay as it is before photos are checked anew, ms: a slider is never kept waiting for it. */
const SETTLED = 180;

function useSettled<T>(value: T): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), SETTLED);
    return () => clearTimeout(timer);
  }, [value]);
  return settled;
}

/** Checks all photos. Those left out are placed, but have no findings and are no measure for the others. */
export function useFindings(template: Template, photos: readonly PhotoRow[]): PhotoFindings {
  const settled = useSettled(template);
  const { twins } = settled.limits;
  const checked = useMemo((): readonly (CheckedPhoto & PhotoRow)[] => {
    const taken = photos.filter(({ review }) => review !== 'out');
    const doubles = new Map(twinsOf(taken, twins).map((twin, i) => [taken[i]!.id, twin]));
    return photos.map((photo) => ({ ...photo, twin: doubles.get(photo.id) ?? null }));
  }, [photos, twins]);
  return useMemo(() => {
    const taken = checked.filter(({ review }) => review !== 'out');
    const place = placer(settled);
    const { check, mend } = checker(settled, meansOf(settled, taken, place), place);
    const byPhoto = new Map<number, Finding[]>();
    const placed = new Map<number, Placed>();
    let ofOutputs: Finding[] = [];
    for (const photo of checked) {
      placed.set(photo.id, place(photo));
      if (photo.review === 'out') continue;
      const findings = check(photo);
      const own = findings.filter((f) => f.about === 'photo');
      if (own.length > 0) byPhoto.set(photo.id, own);
      if (ofOutputs.length === 0) ofOutputs = findings.filter((f) => f.about === 'output');
    }
    return { byPhoto, ofOutputs, placed, mend };
  }, [settled, checked]);
}
