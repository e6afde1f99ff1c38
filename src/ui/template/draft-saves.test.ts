import { parseTemplate, type Template } from '@/core/template';
import { ApiError } from '../shared/api';
import { createDraftSaves, type DraftSave, type SaveState } from './draft-saves';

let lineIsBack = () => {};
jest.mock('../shared/line', () => ({
  ...jest.requireActual('../shared/line'),
  lineBack: () => new Promise<void>((resolve) => (lineIsBack = resolve)),
}));

const named = (name: string): Template => parseTemplate({ wobrel: 1, name });

function desk() {
  let template = named('first');
  const asked: DraftSave[] = [];
  const answers: ((error?: Error) => void)[] = [];
  const states: SaveState['kind'][] = [];
  const saves = createDraftSaves({
    current: () => template,
    revision: 4,
    window: 'w',
    onState: ({ kind }) => states.push(kind),
    send: (save) =>
      new Promise((resolve, reject) => {
        asked.push(save);
        answers.push((error) => (error ? reject(error) : resolve({ revision: save.revision + 1 })));
      }),
  });
  const settle = () => new Promise((resolve) => setImmediate(resolve));
  return {
    saves,
    asked,
    states,
    change: (name: string) => (template = named(name)),
    put: (one: Template) => void (template = one),
    answer: async (error?: Error) => (answers.shift()!(error), settle()),
    settle,
  };
}

test('saves follow each other, each on the revision that the one before made', async () => {
  const { saves, asked, change, answer, settle, states } = desk();
  change('second');
  void saves.flush();
  await settle();
  change('third');
  void saves.flush();
  expect(asked.map(({ revision }) => revision)).toEqual([4]);
  await answer();
  expect(asked.map(({ revision, change: n }) => [revision, n])).toEqual([[4, 1], [5, 2]]); // prettier-ignore
  await answer();
  expect([states[states.length - 1], saves.revision(), saves.last()]).toEqual(['saved', 6, null]);
});

test('a page left in the middle of a save sends what is newest as a later change of the same window', async () => {
  const { saves, change, settle } = desk();
  change('second');
  void saves.flush();
  await settle();
  change('third');
  // The save under way has not been answered: the revision is still the old one.
  expect(saves.last()).toMatchObject({ template: { name: 'third' }, revision: 4, window: 'w', change: 2 });
});

test('nothing is sent where nothing has changed, and a failed save is tried again with the next', async () => {
  const { saves, asked, change, answer, settle, states } = desk();
  await saves.flush();
  expect(asked).toEqual([]);
  change('second');
  void saves.flush();
  await settle();
  await answer(new Error('offline'));
  expect(states[states.length - 1]).toBe('failed');
  void saves.flush();
  await settle();
  expect(asked.map(({ template }) => template.name)).toEqual(['second', 'second']);
});

test('what the server does not take can be given up for what it took last', async () => {
  const { saves, asked, change, put, answer, settle, states } = desk();
  const taken = change('taken');
  void saves.flush();
  await settle();
  await answer();
  change('too intricate');
  void saves.flush();
  await settle();
  await answer(new ApiError('shape-intricate', 'shape: the shape is too intricate.'));
  expect(states[states.length - 1]).toBe('refused');
  expect(saves.saved()).toBe(taken);
  put(saves.saved());
  await saves.flush();
  expect([states[states.length - 1], asked.length, saves.isWaiting()]).toEqual(['saved', 2, false]);
});

test('what was changed without a line is saved by itself when that is back', async () => {
  const { saves, asked, change, answer, settle, states } = desk();
  change('second');
  void saves.flush();
  await settle();
  await answer(new ApiError('offline', 'The server can’t be reached.'));
  change('third');
  expect(states[states.length - 1]).toBe('failed');
  lineIsBack();
  await settle();
  await answer();
  expect([asked.map(({ template }) => template.name), states[states.length - 1]]).toEqual([['second', 'third'], 'saved']); // prettier-ignore
});

test('after another window has saved, its template and one’s own changes are saved on its revision', async () => {
  const { saves, asked, change, answer, settle, states } = desk();
  const mine = change('mine');
  void saves.flush();
  await settle();
  await answer(new ApiError('conflict', 'It was changed in another window.'));
  expect(states[states.length - 1]).toBe('conflict');
  const { both } = saves.join({ ...named('first'), backdrop: '#ffffff' }, 9);
  expect([both.name, both.backdrop]).toEqual([mine.name, '#ffffff']);
  void saves.flush();
  await settle();
  expect(asked[asked.length - 1]).toMatchObject({ revision: 9 });
});
