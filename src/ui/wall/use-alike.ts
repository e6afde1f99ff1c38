'use client';
import PQueue from 'p-queue';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { FoundSubject } from '@/core/sight';
import { outlined } from '../easel/outlined';
import type { History } from '../history/history';
import type { PhotoEdits } from '../photos/use-edits';
import { api, ApiError } from '../shared/api';
import { overTheLine } from '../shared/line';
import { say } from '../shared/say';
import { plural } from '../shared/words';
import { forgetRun, keepRun, takeRun, type BrokenOff } from './kept-run';

/** How far the looking has come. */
type AlikeRun = { readonly done: number; readonly of: number };

export type Alike = {
  /** Null while nothing is looked for. */
  readonly run: AlikeRun | null;
  /** What came of the last run. */
  readonly outcome: string | null;
  /** Why it ended early. */
  readonly failure: string | null;
  /** Looks at photos by their numbers. */
  readonly find: (ids: readonly number[]) => Promise<void>;
  /** Ends the run; what was found stays. */
  readonly stop: () => void;
};

/** As many as the server looks at beside each other on a small machine. */
const AT_ONCE = 2;

type Answer = { readonly subject: FoundSubject | null };

/** A refusal that is one photo's: the others are looked at all the same. */
const isOfPhoto = (error: Error) => error instanceof ApiError && ['photo-unseen', 'not-found'].includes(error.code);

/** What a photo's subject is as kept; undefined where the photo is gone. */
const subjectOf = (edits: PhotoEdits, id: number) => JSON.stringify(edits.now(id)?.handSubject);

const foundWords = (found: number, of: number) =>
  found === 0 ? 'found nothing like others' : `found like others: ${plural(found, 'subject')} of ${of}`;

/**
 * Finds the subjects of photos by those pointed at in others; what was found counts at once, and all of it is one step
 * of the history. What a reload breaks off goes on once the batch's photos are there again.
 *
 * @param isWhole true once they are
 */
export function useAlike(batchId: number, edits: PhotoEdits, history: History, isWhole: boolean): Alike {
  const [run, setRun] = useState<AlikeRun | null>(null);
  const [outcome, setOutcome] = useState<string | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const stopped = useRef(false);
  const stop = useCallback(() => void (stopped.current = true), []);
  useEffect(() => stop, [stop]);

  async function goOn({ of, ...before }: BrokenOff): Promise<void> {
    const [back, forth, left] = [[...before.back], [...before.forth], new Set(before.left)];
    let failed: Error | null = null;
    const told = () => setRun({ done: of - left.size, of });
    stopped.current = false;
    setFailure(null);
    told();
    const look = async (id: number) => {
      const before = subjectOf(edits, id);
      const { subject } = await overTheLine(() => api<Answer>(`/api/batches/${batchId}/alike`, 'POST', { photo: id }));
      // Somebody has pointed at it meanwhile, or it is gone.
      if (!subject || subjectOf(edits, id) !== before) return;
      const change = { id, handSubject: { ...outlined(subject), alike: subject.confidence } };
      back.push(...edits.change([change]));
      forth.push(change);
    };
    let isLeft = false;
    const onLeave = () => {
      isLeft = true;
      keepRun(batchId, { left: [...left], of, back, forth });
    };
    window.addEventListener('pagehide', onLeave);
    const queue = new PQueue({ concurrency: AT_ONCE });
    await queue.addAll(
      before.left.map((id) => async () => {
        if (stopped.current || failed) return;
        await look(id).catch((error: Error) => {
          if (!isOfPhoto(error)) failed = error;
        });
        left.delete(id);
        told();
      }),
    );
    window.removeEventListener('pagehide', onLeave);
    // The page that follows goes on.
    if (isLeft) return;
    forgetRun();
    const words = foundWords(forth.length, of);
    if (forth.length > 0) history.record({ words, part: 'photos', back, forth });
    say(words);
    setOutcome(words);
    setFailure(failed && (failed as Error).message);
    setRun(null);
  }
  // Once a page: one that is going must not take what it has just kept.
  const isAsked = useRef(false);
  useEffect(() => {
    if (!isWhole || isAsked.current) return;
    isAsked.current = true;
    const broken = takeRun(batchId);
    if (broken) queueMicrotask(() => void goOn(broken));
  });
  const find = (ids: readonly number[]) => goOn({ left: ids, of: ids.length, back: [], forth: [] });
  return { run, outcome, failure, find, stop };
}
