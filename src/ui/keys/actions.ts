'use client';
/** What can be done at this moment, for the list that finds an action by its name. */
import type { RefObject } from 'react';
import { KEYS, type Entry, type Handlers, type KeyId, type Scope } from './table';

export type Action = { readonly id: KeyId; readonly does: string; readonly shown: string; readonly run: () => void };

type Offer = { readonly scope: Scope; readonly ids: readonly KeyId[]; readonly handlers: RefObject<Handlers> };

const offers = new Set<Offer>();

/** What is done as soon as its panel, which is being opened, can do it. */
let awaited: KeyId | null = null;

/** Keys that say where to, and the list itself: they mean nothing as a name. */
const KEYS_ONLY: ReadonlySet<KeyId> = new Set<KeyId>(['go', 'nudge', 'find', 'cell', 'edit']);

const runIn = ({ handlers }: Offer, id: KeyId) => handlers.current[id]?.(new KeyboardEvent('keydown'));

/** A screen's actions can be found until the returned function is called. */
export function offerActions(scope: Scope, ids: readonly KeyId[], handlers: RefObject<Handlers>): () => void {
  const offer = { scope, ids, handlers };
  offers.add(offer);
  if (awaited && ids.includes(awaited)) {
    const id = awaited;
    awaited = null;
    runIn(offer, id);
  }
  return () => offers.delete(offer);
}

/** All that the screens on the page can do now, in the order of the table; over the easel, what the easel can. */
export function actionsNow(): readonly Action[] {
  const all = [...offers];
  const isEaselUp = all.some(({ scope }) => scope === 'easel');
  const here = all.filter(({ scope }) => (scope === 'easel') === isEaselUp);
  const byId = new Map(here.flatMap((offer) => offer.ids.map((id) => [id, offer] as const)));
  return (Object.keys(KEYS) as KeyId[]).flatMap((id) => {
    const { does, shown, within }: Entry = KEYS[id];
    const offer = byId.get(id);
    if (offer) return KEYS_ONLY.has(id) ? [] : [{ id, does, shown, run: () => runIn(offer, id) }];
    const opener = within === undefined ? undefined : byId.get(within as KeyId);
    if (!opener) return [];
    const run = () => {
      awaited = id;
      runIn(opener, within as KeyId);
    };
    return [{ id, does, shown, run }];
  });
}

/** Those in which every word that was typed stands, or whose key was. */
export function matching(actions: readonly Action[], wanted: string): readonly Action[] {
  const words = wanted.trim().toLowerCase().split(/\s+/);
  return actions.filter(({ does, shown }) => {
    const text = does.toLowerCase();
    const isKey = shown !== '' && shown.toLowerCase() === wanted.trim().toLowerCase();
    return isKey || words.every((word) => text.includes(word));
  });
}
