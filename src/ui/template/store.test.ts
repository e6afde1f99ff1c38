import { parseTemplate, type Template } from '@/core/template';
import { createTemplateStore } from './store';

const start = parseTemplate({ wobrel: 1, name: 'T', borders: [{ width: 10 }] });
const width = (w: number) => (t: Template): Template => ({ ...t, borders: [{ ...t.borders[0]!, width: w }] }); // prettier-ignore

function makeStore() {
  const store = createTemplateStore(start);
  const { history } = store;
  return { store, history, now: () => store.state.getState().template.borders[0]!.width };
}

test('every change is a step back, and redo comes again', () => {
  const { store, history, now } = makeStore();
  [20, 30, 40].forEach((w) => store.change(width(w)));
  history.undo();
  history.undo();
  expect(now()).toBe(20);
  history.redo();
  expect(now()).toBe(30);
  history.undo();
  history.undo();
  expect(store.state.getState().template).toBe(start);
  history.undo();
  expect(store.state.getState().template).toBe(start);
});

test('a whole drag of a slider is one step', () => {
  const { store, history, now } = makeStore();
  store.change(width(12));
  store.drag(true);
  for (let w = 13; w < 40; w++) store.change(width(w));
  store.drag(false);
  store.change(width(50));
  history.undo();
  expect(now()).toBe(39);
  history.undo();
  expect(now()).toBe(12);
  history.undo();
  expect(now()).toBe(10);
});

test('a drag that changes nothing leaves no step', () => {
  const { store, history } = makeStore();
  store.drag(true);
  store.drag(false);
  expect(history.steps.getState().past).toHaveLength(0);
});

test('a change after an undo ends what could be redone', () => {
  const { store, history } = makeStore();
  store.change(width(20));
  history.undo();
  store.change(width(30));
  expect(history.steps.getState().future).toHaveLength(0);
});

test('changes of photos lie between those of the template, and are undone in the order in which all were made', () => {
  const { store, history, now } = makeStore();
  const seen: string[] = [];
  history.takePart('photos', (what: string) => seen.push(what));
  store.change(width(20));
  history.record({ words: 'nudged', part: 'photos', back: 'undo nudge', forth: 'redo nudge' });
  store.change(width(30));
  history.undo();
  expect([now(), seen]).toEqual([20, []]);
  history.undo();
  expect([now(), seen]).toEqual([20, ['undo nudge']]);
  history.undo();
  expect(now()).toBe(10);
  history.redo();
  history.redo();
  expect([now(), seen]).toEqual([20, ['undo nudge', 'redo nudge']]);
  history.redo();
  expect(now()).toBe(30);
});
