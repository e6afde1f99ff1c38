'use client';
import { useCallback, useEffect, useRef } from 'react';
import { useHotkeys, useHotkeysContext, type HotkeyCallback } from 'react-hotkeys-hook';
import { offerActions } from './actions';
import { entriesOf, SPLIT, type Handlers, type KeyId, type Scope } from './table';

const DELIMITER = '|';

/** The dialog that a scope's keys are pressed in: any other that is open has its own. */
const dialogOf = (scope: Scope) => (scope === 'easel' ? '.easel-modal' : null);

function isElsewhere(event: KeyboardEvent, scope: Scope): boolean {
  const target = event.target as HTMLElement | null;
  const dialog = target?.closest?.('.modal') ?? null;
  // Letters typed into the table are its own; keys that hold everywhere do there, too.
  if (scope !== 'table' && target?.closest?.('[role=grid]') && !event.ctrlKey && !event.metaKey) return true;
  if (dialog && !dialog.matches(dialogOf(scope) ?? 'none')) return true;
  // Arrows in a group of choices go from choice to choice.
  return event.key.startsWith('Arrow') && Boolean(target?.closest?.('[role=radiogroup]'));
}

/** Offers a screen's actions by their names; on its own for those that have no key. */
export function useActions(scope: Scope, handlers: Handlers): void {
  const newest = useRef(handlers);
  useEffect(() => {
    newest.current = handlers;
  });
  const offered = Object.keys(handlers).join();
  useEffect(() => offerActions(scope, offered.split(',') as KeyId[], newest), [scope, offered]);
}

/** Signs and digits need Shift on some keyboards: there they are typed all the same. */
const asTyped = (key: string): readonly string[] => (/^[^a-z]$/.test(key) ? [key, `shift${SPLIT}${key}`] : [key]);

const isLetter = (key: string) => /(?:^|_)[a-z]$/.test(key);
/** Of a script that has none of our letters: Cyrillic, Greek, Arabic and others. */
const isOtherScript = (typed: string) => /^(?!\p{Script=Latin})\p{L}$/u.test(typed);

/**
 * Answers the keys of a scope by the table; those without a handler are left alone. Characters count as they are
 * typed; on a keyboard of another script letters count by their place.
 *
 * @returns where the scope's element goes that must have the focus; without one the whole page listens
 */
export function useKeys<E extends HTMLElement>(scope: Scope, handlers: Handlers) {
  const entries = entriesOf(scope).filter(([id]) => handlers[id]);
  const ids = new Map(entries.flatMap(([id, { keys }]) => keys.flatMap(asTyped).map((key) => [key, id] as const)));
  useActions(scope, Object.fromEntries(entries.map(([id]) => [id, handlers[id]])));
  const answer: HotkeyCallback = (event, { hotkey }) => {
    const id = ids.get(hotkey);
    if (!id) return;
    event.preventDefault();
    handlers[id]!(event);
  };
  const options = {
    scopes: [scope],
    delimiter: DELIMITER,
    splitKey: SPLIT,
    enableOnFormTags: ['radio', 'option'],
  } as const;
  const asCharacters = useHotkeys<E>([...ids.keys()].join(DELIMITER), answer, {
    ...options,
    useKey: true,
    ignoreEventWhen: (event) => isElsewhere(event, scope),
  });
  const letters = [...ids.keys()].filter(isLetter);
  const byPlace = useHotkeys<E>(letters.join(DELIMITER), answer, {
    ...options,
    enabled: letters.length > 0,
    ignoreEventWhen: (event) => !isOtherScript(event.key) || isElsewhere(event, scope),
  });
  return useCallback(
    (element: E | null) => {
      asCharacters(element);
      byPlace(element);
    },
    [asCharacters, byPlace],
  );
}

/** While it is on the page, only the easel's keys hold. */
export function useEaselScope(): void {
  const { enableScope, disableScope } = useHotkeysContext();
  useEffect(() => {
    enableScope('easel');
    disableScope('page');
    disableScope('wall');
    return () => {
      enableScope('page');
      enableScope('wall');
      disableScope('easel');
    };
  }, [enableScope, disableScope]);
}
