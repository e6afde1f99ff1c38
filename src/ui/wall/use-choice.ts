'use client';
import { useMemo, useState, type MouseEvent } from 'react';

/** Which photos are chosen, and which one the keys are at. Places are in the shown order. */
export function useChoice(ids: readonly number[], columns: number) {
  const [kept, setChosen] = useState<ReadonlySet<number>>(new Set());
  const [active, setActive] = useState(0);
  const [anchor, setAnchor] = useState(0);
  // What a filter hides is not chosen while it is hidden: keys must not act on what can't be seen.
  const chosen = useMemo(() => new Set(ids.filter((id) => kept.has(id))), [ids, kept]);
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
  /** Goes where a key of the wall leads. */
  const go = ({ key, shiftKey }: Pick<KeyboardEvent, 'key' | 'shiftKey'>): void => {
    const steps: Record<string, number> = {
      ArrowLeft: -1,
      ArrowRight: 1,
      ArrowUp: -columns,
      ArrowDown: columns,
      Home: -ids.length,
      End: ids.length,
    };
    const step = steps[key];
    if (step !== undefined && ids.length > 0) goTo(here + step, shiftKey);
  };
  return {
    chosen,
    active: here,
    click,
    go,
    chooseAll: () => setChosen(new Set(ids)),
    chooseNone: () => setChosen(new Set()),
  };
}
