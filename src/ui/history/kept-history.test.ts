/** @jest-environment jsdom */
import { parseTemplate, type Template } from '@/core/template';
import { createTemplateStore } from '../template/store';
import { createHistory } from './history';
import { said } from '../shared/say';
import { keepHistory, recallHistory } from './kept-history';

const start = parseTemplate({ wobrel: 1, name: 'T', borders: [{ width: 10 }] });
const width = (w: number) => (t: Template): Template => ({ ...t, borders: [{ ...t.borders[0]!, width: w }] }); // prettier-ignore

/** A page on which some widths are set, and that is then left. */
function worked(batch: number, ...widths: number[]) {
  const history = createHistory();
  const store = createTemplateStore(start, history);
  const stop = keepHistory(batch, history);
  widths.forEach((w) => store.change(width(w)));
  stop();
  return store.state.getState().template;
}

test('after a reload everything can be undone and redone as before', () => {
  const last = worked(1, 20, 30);
  const history = createHistory(recallHistory(1, last));
  const store = createTemplateStore(last, history);
  const now = () => store.state.getState().template.borders[0]!.width;
  history.undo();
  history.undo();
  expect(now()).toBe(10);
  history.redo();
  expect([now(), said()]).toEqual([20, 'Redone: change of the template']);
});

test('where somebody else has changed the template meanwhile, and in another batch, there is nothing to undo', () => {
  worked(2, 20);
  expect(recallHistory(2, width(77)(start)).past).toEqual([]);
  expect(recallHistory(3, start).past).toEqual([]);
});

test('what is stored and can’t be read is as good as nothing', () => {
  const last = worked(4, 20);
  const stored = JSON.parse(localStorage.getItem('wobrel.history')!);
  stored.state.value[0].past[0].back = { wobrel: 99 };
  localStorage.setItem('wobrel.history', JSON.stringify(stored));
  jest.isolateModules(() => {
    const again = require('./kept-history') as typeof import('./kept-history');
    expect(again.recallHistory(4, last).past).toEqual([]);
  });
});

test('of many steps the newest are kept, and of many batches those worked on last', () => {
  const last = worked(5, ...Array.from({ length: 200 }, (_, i) => 20 + i));
  const { past } = recallHistory(5, last);
  expect([past.length, (past[0]!.forth as Template).borders[0]!.width]).toEqual([60, 160]);
  for (const batch of [6, 7, 8]) worked(batch, 20);
  expect(recallHistory(5, last).past).toEqual([]);
});
