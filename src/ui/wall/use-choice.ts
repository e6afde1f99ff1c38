'use client';
import { useState, type KeyboardEvent, type MouseEvent } from 'react';

/** Which photos are chosen, and which one the keys are at. Places are in the shown order. */
export function useChoice(ids: readonly number[], columns: number) {
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  const [active, setActive] = useState(0);
  const [anchor, setAnchor] = useState(0);
  const here = Math.min(active, Math.max(ids.length - 1, 0));

  const rangeTo = (to: number) => {
    const [from, end] = anchor < to ? [anchor, to] : [to, anchor];
    return new Set(ids.slice(from, end + 1));
  };
  const goTo = (place: number, extend: boolean) => {
    const to = Math.min(Math.max(place, 0), ids.length - 1);
    setActive(to);
    if (extend) setChosen(rangeTo(to));
    else {
      setAnchor(to);
      setChosen(new Set([ids[to]!]));
    }
  };
  const click = (place: number, event: MouseEvent) => {
    if (event.ctrlKey || event.metaKey) {
      const next = new Set(chosen);
      if (!next.delete(ids[place]!)) next.add(ids[place]!);
      setChosen(next);
      setActive(place);
      setAnchor(place);
    } else goTo(place, event.shiftKey);
  };
  /** Handles a key; true where it was one of the wall's. */
  const key = (event: KeyboardEvent): boolean => {
    if (ids.length === 0) return false;
    const steps: Record<string, number> = {
      ArrowLeft: -1,
      ArrowRight: 1,
      ArrowUp: -columns,
      ArrowDown: columns,
      Home: -ids.length,
      End: ids.length,
    };
    const step = steps[event.key];
    if (step !== undefined) goTo(here + step, event.shiftKey);
    else if (event.key === 'a' && (event.ctrlKey || event.metaKey)) setChosen(new Set(ids));
    else if (event.key === 'Escape') setChosen(new Set());
    else return false;
    event.preventDefault();
    return true;
  };
  return { chosen, active: here, click, key };
}
