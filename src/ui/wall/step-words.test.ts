import { countBatch } from '@/core/checks';
import { parseTemplate } from '@/core/template';
import { NO_FINDINGS } from '../checks/photo-findings';
import { stepWords } from './step-words';

const template = parseTemplate({ wobrel: 1, name: 'Wide post', outputs: [{ name: 'tile' }, { name: 'mail' }] });
const state = {
  batch: { saved: null, refusalCount: 2 },
  template,
  edited: false,
  total: 0,
  counts: countBatch([], template.outputs, () => false),
  findings: NO_FINDINGS,
};

test('each step says in a few words what it comes to', () => {
  expect(stepWords(state)).toEqual({
    photos: '0, 2 not taken',
    template: 'Wide post',
    centre: 'middle of the photo',
    check: 'nothing to look at',
    export: '2 outputs',
  });
});

test('what is not checked, or not yet, is never called good', () => {
  expect(stepWords({ ...state, total: 3 }).check).toBe('checking…');
  const failed = { ...NO_FINDINGS, fault: 'that takes too long; undo the last change.' };
  expect(stepWords({ ...state, findings: failed }).check).toBe('not checked');
});
