'use client';
/** Colours that can be taken again: the last ones, and those that were kept. */
import { z } from 'zod';
import { colourSchema } from '@/core/paint';
import { createKept } from '../shared/kept';

const LAST = 8;
const KEPT = 16;

const kept = createKept('colours', z.object({ last: z.array(colourSchema), kept: z.array(colourSchema) }), {
  last: [],
  kept: [],
});

export const useOwnColours = kept.useValue;

const withFirst = (list: readonly string[], colour: string, most: number) =>
  [colour, ...list.filter((one) => one !== colour)].slice(0, most);

/** Notes a colour among the last ones, once it is settled on. */
export const noteColour = (colour: string): void =>
  kept.change((own) => ({ ...own, last: withFirst(own.last, colour, LAST) }));

/** Keeps a colour, or lets it go. */
export const keepColour = (colour: string): void =>
  kept.change((own) => ({
    ...own,
    kept: own.kept.includes(colour) ? own.kept.filter((one) => one !== colour) : withFirst(own.kept, colour, KEPT),
  }));
