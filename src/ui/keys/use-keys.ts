'use client';
import { useEffect, useRef } from 'react';
import { useHotkeys, useHotkeysContext } from 'react-hotkeys-hook';
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

/**
 * Answers the keys of a scope by the table; those without a handler are left alone.
 *
 * @returns where the scope's element goes that must have the focus; without one the whole page listens
 */
export function useKeys<E extends HTMLElement>(scope: Scope, handlers: Handlers) {
  const entries = entriesOf(scope).filter(([id]) => handlers[id]);
  const keys = entries.flatMap(([, entry]) => entry.keys);
  useActions(scope, Object.fromEntries(entries.map(([id]) => [id, handlers[id]])));
  return useHotkeys<E>(
    keys.join(DELIMITER),
    (event, { hotkey }) => {
      const entry = entries.find(([, { keys: own }]) => own.includes(hotkey));
      if (!entry) return;
      event.preventDefault();
      handlers[entry[0]]!(event);
    },
    {
      scopes: [scope],
      delimiter: DELIMITER,
      splitKey: SPLIT,
      useKey: true,
      enableOnFormTags: ['radio', 'option'],
      ignoreEventWhen: (event) => isElsewhere(event, scope),
    },
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
