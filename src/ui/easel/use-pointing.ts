'use client';
import { useEffect, useState } from 'react';
import type { HandSubject } from '@/core/placement';
import type { FoundSubject, Pointing, Told } from '@/core/sight';
import type { PhotoRow } from '@/server/services';
import { api } from '../shared/api';
import { outlined } from './outlined';

/** What a click on the easel says: this is the subject; this belongs to it, too; this does not. */
export type Click = 'new' | 'more' | 'less';

type Box = readonly [left: number, top: number, width: number, height: number];

/** What was said so far of a photo. */
type Said = { readonly photo: number; readonly pointing: Pointing };

const outlineOf = ({ sha256 }: PhotoRow, pointing: Pointing) =>
  api<{ subject: FoundSubject | null }>(`/api/photos/${sha256}/outline`, 'POST', pointing);

const NOTHING: Pointing = { from: null, told: [] };

/** The box that a photo's subject has so far. */
function boxOf({ handSubject, sight }: PhotoRow): Pointing['from'] {
  if (handSubject && 'box' in handSubject) return handSubject.box;
  return handSubject ? null : (sight?.subject?.box ?? null);
}

/** What is said with one more click. */
function saidWith(before: Pointing, click: Click, at: Told['at'], photo: PhotoRow): Pointing {
  const told: Told = { at, is: click === 'less' ? 'ground' : 'subject' };
  if (click === 'new') return { from: null, told: [told] };
  return { from: before.from ?? (before.told.length > 0 ? null : boxOf(photo)), told: [...before.told, told] };
}

/**
 * Pointing at subjects: a click or a rough box becomes the subject's own outline.
 *
 * @param isPointing while it is the tool in the hand: this photo and the next are made ready for it
 */
export function usePointing(
  photo: PhotoRow,
  next: PhotoRow | undefined,
  isPointing: boolean,
  setSubject: (subject: HandSubject) => void,
) {
  const [said, setSaid] = useState<Said | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  useEffect(() => {
    // That it could not be made ready is told by the click.
    if (isPointing) for (const one of [photo, next]) if (one) void outlineOf(one, NOTHING).catch(() => undefined);
  }, [isPointing, photo.sha256, next?.sha256]); // oxlint-disable-line react/exhaustive-deps -- by their pictures

  async function find(pointing: Pointing, instead: HandSubject): Promise<void> {
    setSaid({ photo: photo.id, pointing });
    try {
      const { subject } = await outlineOf(photo, pointing);
      setFailure(subject ? null : 'No outline was found there: the place itself is taken.');
      setSubject(subject ? outlined(subject) : instead);
    } catch (error) {
      setFailure((error as Error).message);
      setSubject(instead);
    }
  }

  return {
    failure: said?.photo === photo.id ? failure : null,
    click: (at: readonly [number, number], click: Click) => {
      const before = said?.photo === photo.id ? said.pointing : NOTHING;
      const pointing = saidWith(before, click, at, photo);
      void find(pointing, click === 'new' ? { point: [...at] } : (photo.handSubject ?? { point: [...at] }));
    },
    box: (box: Box) => void find({ from: box, told: [] }, { box: [...box] }),
  };
}
