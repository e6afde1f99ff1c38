'use client';
import { useEffect, useId, useRef, useState, type KeyboardEvent } from 'react';
import { Form, Modal } from 'react-bootstrap';
import { actionsNow, matching, type Action } from './actions';
import { Key } from './key';

/** Finds an action by its name and does it. */
export function ActionFinder({ onHide }: { readonly onHide: () => void }) {
  const id = useId();
  const [wanted, setWanted] = useState('');
  const [at, setAt] = useState(0);
  const [actions] = useState(actionsNow);
  const found = matching(actions, wanted);
  const here = Math.min(at, found.length - 1);
  const [done, setDone] = useState<Action | null>(null);
  // Done once the list is gone and the focus is back where it was: what moves the focus must have the last word.
  const choose = (action: Action) => setDone(action);
  const onKey = (event: KeyboardEvent) => {
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (by !== undefined) {
      event.preventDefault();
      setAt(Math.min(Math.max(here + by, 0), found.length - 1));
    } else if (event.key === 'Enter' && found[here]) {
      // Else the key would also press what has the focus once the list has gone.
      event.preventDefault();
      choose(found[here]);
    }
  };
  const list = useRef<HTMLUListElement>(null);
  // Newer browsers answer with a promise, which is no way to clean up.
  useEffect(() => void list.current?.children[here]?.scrollIntoView({ block: 'nearest' }), [here]);
  return (
    <Modal
      show={done === null}
      onHide={onHide}
      onExited={() => {
        onHide();
        done?.run();
      }}
      animation={false}
      aria-label="Find an action"
      scrollable
    >
      <Modal.Header>
        <Form.Control
          autoFocus
          type="text"
          role="combobox"
          aria-label="Action"
          aria-expanded
          aria-controls={`${id}-list`}
          aria-activedescendant={found[here] && `${id}-${found[here].id}`}
          placeholder="What do you want to do?"
          autoComplete="off"
          value={wanted}
          onChange={(event) => {
            setWanted(event.target.value);
            setAt(0);
          }}
          onKeyDown={onKey}
        />
      </Modal.Header>
      <Modal.Body className="p-2">
        <ul
          ref={list}
          id={`${id}-list`}
          role="listbox"
          aria-label="Actions"
          className="action-list"
          tabIndex={0}
          onKeyDown={onKey}
        >
          {found.map((action, i) => (
            <li
              key={action.id}
              id={`${id}-${action.id}`}
              role="option"
              aria-selected={i === here}
              onClick={() => choose(action)}
              onMouseMove={() => setAt(i)}
            >
              <span>{action.does}</span>
              {action.shown && <Key shown={action.shown} />}
            </li>
          ))}
        </ul>
        {found.length === 0 && <p className="muted mb-0 p-2">Nothing here is called so.</p>}
      </Modal.Body>
    </Modal>
  );
}
