/** @jest-environment jsdom */
import { fireEvent, render } from '@testing-library/react';
import { HotkeysProvider } from 'react-hotkeys-hook';
import { actionsNow, matching } from './actions';
import { keyNames } from './key-names';
import { KEYS, type Handlers, type Scope } from './table';
import { useActions, useEaselScope, useKeys } from './use-keys';

test('no key has two meanings in one scope, and what can be open at once shares none', () => {
  const used = new Map<string, string>();
  // The wall lies on a page; the easel takes the page's keys away, the table those of letters.
  const together: Readonly<Record<Scope, string>> = { page: 'page', wall: 'page', easel: 'easel', table: 'table' };
  for (const [id, { scope, keys }] of Object.entries(KEYS))
    for (const key of keys) {
      const place = `${together[scope]} ${key}`;
      expect([place, used.get(place)]).toEqual([place, undefined]);
      used.set(place, id);
    }
});

function Page({ handlers, children }: { handlers: Handlers; children?: React.ReactNode }) {
  useKeys('page', handlers);
  return <div>{children}</div>;
}
function Easel({ handlers }: { handlers: Handlers }) {
  useEaselScope();
  useKeys('easel', handlers);
  return <div className="modal easel-modal" />;
}
const shown = (content: React.ReactNode) =>
  render(<HotkeysProvider initiallyActiveScopes={['page', 'wall']}>{content}</HotkeysProvider>);
const press = (key: string, more: object = {}, target: Element = document.body) =>
  fireEvent.keyDown(target, { key, code: `Key${key.toUpperCase()}`, ...more });

test('undo on the easel undoes once: the page below does not answer', () => {
  const [page, easel] = [jest.fn(), jest.fn()];
  const { rerender } = shown(<Page handlers={{ undo: page }} />);
  press('z', { ctrlKey: true });
  expect([page.mock.calls.length, easel.mock.calls.length]).toEqual([1, 0]);
  const both = (
    <Page handlers={{ undo: page }}>
      <Easel handlers={{ easelUndo: easel }} />
    </Page>
  );
  rerender(<HotkeysProvider initiallyActiveScopes={['page', 'wall']}>{both}</HotkeysProvider>);
  press('z', { ctrlKey: true });
  expect([page.mock.calls.length, easel.mock.calls.length]).toEqual([1, 1]);
});

test('keys typed into fields and pressed in other dialogs are theirs', () => {
  const undo = jest.fn();
  const { container } = shown(
    <Page handlers={{ undo }}>
      <input />
      <div className="modal">
        <button>OK</button>
      </div>
    </Page>,
  );
  press('z', { ctrlKey: true }, container.querySelector('input')!);
  press('z', { ctrlKey: true }, container.querySelector('button')!);
  expect(undo).not.toHaveBeenCalled();
});

test('a character counts as it is typed, wherever it lies on the keyboard', () => {
  const [larger, turnLeft] = [jest.fn(), jest.fn()];
  shown(<Easel handlers={{ larger, turnLeft }} />);
  press('+', { code: 'BracketRight' });
  press('+', { code: 'Equal', shiftKey: true });
  press(',', { code: 'Comma' });
  expect([larger.mock.calls.length, turnLeft.mock.calls.length]).toEqual([2, 1]);
});

test('signs and digits that need Shift on a keyboard are typed all the same', () => {
  const [find, sheet, toTemplate] = [jest.fn(), jest.fn(), jest.fn()];
  shown(<Page handlers={{ find, sheet, toTemplate }} />);
  // German, then French.
  press('/', { code: 'Digit7', shiftKey: true });
  press('?', { code: 'Minus', shiftKey: true });
  press('2', { code: 'Digit2', shiftKey: true });
  expect([find, sheet, toTemplate].map((called) => called.mock.calls.length)).toEqual([1, 1, 1]);
});

test('where the keyboard is of another script a letter counts by its place, once', () => {
  const [undo, redo, finish] = [jest.fn(), jest.fn(), jest.fn()];
  shown(<Page handlers={{ undo, redo, finish }} />);
  const calls = () => [undo, redo, finish].map((called) => called.mock.calls.length);
  press('я', { code: 'KeyZ', ctrlKey: true });
  press('Я', { code: 'KeyZ', ctrlKey: true, shiftKey: true });
  press('β', { code: 'KeyB' });
  expect(calls()).toEqual([1, 1, 1]);
  // German: where Z lies elsewhere is Y.
  press('y', { code: 'KeyZ', ctrlKey: true });
  press('b', { code: 'KeyB' });
  expect(calls()).toEqual([1, 2, 2]);
});

test.each([
  ['Ctrl + Shift + Z', '⌘ + Shift + Z'],
  ['Alt grows from the middle, Ctrl lets go.', 'Option grows from the middle, ⌘ lets go.'],
  ['Enter', 'Return'],
  ['Esc', 'Esc'],
])('%s is %s on a Mac', (words, onMac) => {
  expect(keyNames(words, true)).toBe(onMac);
  expect(keyNames(words, false)).toBe(words);
});

test('what the screens can do is found by its name or key; over the easel, what the easel can', () => {
  const undo = jest.fn();
  const { rerender } = shown(<Page handlers={{ undo, toWall: () => {} }} />);
  expect(actionsNow().map(({ id }) => id)).toEqual(['undo', 'toWall']);
  expect(matching(actionsNow(), 'WALL go').map(({ id }) => id)).toEqual(['toWall']);
  expect(matching(actionsNow(), 'w').map(({ id }) => id)).toContain('toWall');
  expect(matching(actionsNow(), 'no such thing')).toEqual([]);
  actionsNow()[0]!.run();
  expect(undo).toHaveBeenCalledTimes(1);
  rerender(
    <HotkeysProvider initiallyActiveScopes={['page', 'wall']}>
      <Page handlers={{ undo }}>
        <Easel handlers={{ next: () => {}, nudge: () => {} }} />
      </Page>
    </HotkeysProvider>,
  );
  expect(actionsNow().map(({ id }) => id)).toEqual(['next']);
});

test('what has no key is found by its name, opens the panel that can do it and is done there', () => {
  const [open, add] = [jest.fn(), jest.fn()];
  function Panel() {
    useActions('page', { addBorder: add });
    return null;
  }
  const { rerender } = shown(<Page handlers={{ toTemplate: open }} />);
  const [found] = matching(actionsNow(), 'add border');
  expect(found).toMatchObject({ id: 'addBorder', shown: '' });
  found!.run();
  expect([open.mock.calls.length, add.mock.calls.length]).toEqual([1, 0]);
  const both = (
    <Page handlers={{ toTemplate: open }}>
      <Panel />
    </Page>
  );
  rerender(<HotkeysProvider initiallyActiveScopes={['page', 'wall']}>{both}</HotkeysProvider>);
  expect(add).toHaveBeenCalledTimes(1);
  // On the panel itself nothing has to open, and it is not done again.
  matching(actionsNow(), 'add border')[0]!.run();
  expect([open.mock.calls.length, add.mock.calls.length]).toEqual([1, 2]);
});

test('what a panel would have to open for, but that no screen here has, is not offered', () => {
  shown(<Page handlers={{ undo: () => {} }} />);
  expect(actionsNow().map(({ id }) => id)).toEqual(['undo']);
});

test('arrows among choices go from choice to choice, and everywhere else they are the screen’s', () => {
  const go = jest.fn();
  function Wall() {
    const listen = useKeys<HTMLDivElement>('wall', { go });
    return (
      <div ref={listen} tabIndex={0} data-testid="wall">
        <div role="radiogroup">
          <button>one</button>
        </div>
      </div>
    );
  }
  const { container, getByTestId } = shown(<Wall />);
  const right = { key: 'ArrowRight', code: 'ArrowRight' };
  const choice = container.querySelector('button')!;
  choice.focus();
  fireEvent.keyDown(choice, right);
  expect(go).not.toHaveBeenCalled();
  getByTestId('wall').focus();
  fireEvent.keyDown(getByTestId('wall'), right);
  expect(go).toHaveBeenCalledTimes(1);
});
