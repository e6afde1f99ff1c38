/** Who looks at the same thing at the same time, by their windows. */
import { oncePerProcess } from '../once';
import type { Actor } from './actor';
import { announce } from './signals';

type Window = { readonly id: string; readonly actor: Actor };
type Place = { readonly key: number };

/** Somebody else who is there. */
export type Other = {
  readonly name: string;
  /** True where it is the same person, in another window. */
  readonly isYou: boolean;
};

const windowsAt = ({ key }: Place, topic: string) => {
  const topics = oncePerProcess(`windows of ${key}`, () => new Map<string, Set<Window>>());
  const there = topics.get(topic) ?? new Set<Window>();
  topics.set(topic, there);
  return {
    there,
    forget: () => {
      if (there.size === 0) topics.delete(topic);
    },
  };
};

/** A window comes to look at something, until the returned function is called; the others are told. */
export function come(place: Place & { readonly actor: Actor }, topic: string, id: string): () => void {
  const window = { id, actor: place.actor };
  windowsAt(place, topic).there.add(window);
  announce(place, topic);
  return () => {
    const { there, forget } = windowsAt(place, topic);
    if (!there.delete(window)) return;
    forget();
    announce(place, topic);
  };
}

/** Who else is there: each person once. */
export function othersAt(place: Place & { readonly actor: Actor }, topic: string, id: string): readonly Other[] {
  const { there, forget } = windowsAt(place, topic);
  forget();
  const others = new Map<string, Other>();
  for (const { id: other, actor } of there)
    if (other !== id) others.set(`${actor.person} ${actor.name}`, { name: actor.name, isYou: actor.person === place.actor.person }); // prettier-ignore
  return [...others.values()];
}
