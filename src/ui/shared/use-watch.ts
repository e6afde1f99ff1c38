'use client';
import { useEffect, useRef, useState } from 'react';
import type { Seen } from '@/server/services';
import { WINDOW } from './ids';

const NOBODY: Seen['others'] = [];

/**
 * What others do to what is looked at. Only while the page is in sight: a browser has few lines to a server, and pages
 * behind others would take them all.
 *
 * @param onSeen one thing after the other; with true where something may have been missed
 * @returns who else is there
 */
export function useWatch(path: string, onSeen: (seen: Seen, isGap: boolean) => Promise<void>): Seen['others'] {
  const [others, setOthers] = useState(NOBODY);
  const telling = useRef(onSeen);
  useEffect(() => {
    telling.current = onSeen;
  });
  useEffect(() => {
    let events: EventSource | null = null;
    let [isFirst, isGap] = [true, false];
    let turn: Promise<void> = Promise.resolve();
    const open = () => {
      events = new EventSource(`${path}?window=${WINDOW}`);
      events.onopen = () => {
        isGap = !isFirst;
        isFirst = false;
      };
      events.onmessage = (event: MessageEvent<string>) => {
        const seen = JSON.parse(event.data) as Seen;
        const wasGap = isGap;
        isGap = false;
        setOthers(seen.others);
        turn = turn.then(() => telling.current(seen, wasGap)).catch((error: unknown) => console.error(error));
      };
    };
    const close = () => {
      events?.close();
      events = null;
    };
    const onSight = () => {
      if (document.visibilityState === 'hidden') close();
      else if (!events) open();
    };
    onSight();
    document.addEventListener('visibilitychange', onSight);
    return () => {
      document.removeEventListener('visibilitychange', onSight);
      close();
    };
  }, [path]);
  return others;
}
