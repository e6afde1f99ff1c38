'use client';
/** Names of files that were on their way to a batch, kept by this browser: after a page was left meanwhile it can say which did not arrive. */
import { z } from 'zod';
import { createKept } from '../shared/kept';

/** Most names that are kept, of all batches together. */
const MOST = 5000;

const kept = createKept('expected', z.record(z.string(), z.array(z.string())), {});

export const useExpected = (batchId: number): readonly string[] => kept.useValue()[batchId] ?? NONE;
const NONE: readonly string[] = [];

export const noteExpected = (batchId: number, names: readonly string[]): void =>
  kept.change((all) => ({ ...all, [batchId]: [...(all[batchId] ?? []), ...names].slice(-MOST) }));

/** A name that has arrived, or all names of a batch. */
export const forgetExpected = (batchId: number, name?: string): void =>
  kept.change((all) => {
    const { [String(batchId)]: names = [], ...others } = all;
    const at = name === undefined ? -1 : names.indexOf(name);
    const left = name === undefined ? [] : at < 0 ? names : names.toSpliced(at, 1);
    return left.length === 0 ? others : { ...others, [batchId]: left };
  });
