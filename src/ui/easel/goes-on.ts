'use client';
import { z } from 'zod';
import { createKept } from '../shared/kept';

const kept = createKept('goes-on', z.boolean(), false);

/** Whether the easel goes on to the next photo once one was called good. */
export const useGoesOn = kept.useValue;
export const goesOnNow = kept.now;
export const setGoesOn = (goesOn: boolean): void => kept.change(() => goesOn);
