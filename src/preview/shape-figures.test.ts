import { completeShape, LIBRARY_FRAME } from '../core/shape';
import { createShapeFigures, type ShapeAnswer, type ShapeQuestion } from './shape-figures';

const circle = completeShape({ kind: 'circle' }, LIBRARY_FRAME);
const figures = { proportion: 1, area: Math.PI / 4, thin: 1 };

/** Workers that answer when told to. */
function desk() {
  const asked: ShapeQuestion[] = [];
  const workers: { postMessage: (m: ShapeQuestion) => void; onmessage: ((e: { data: ShapeAnswer }) => void) | null; onerror: (() => void) | null }[] = []; // prettier-ignore
  const ask = createShapeFigures(() => {
    workers.push({ postMessage: (m) => void asked.push(m), onmessage: null, onerror: null });
    return workers.at(-1) as unknown as Worker;
  });
  return { ask, asked, workers, answer: (data: ShapeAnswer) => workers.at(-1)!.onmessage!({ data }) };
}

test('each answer goes to who asked, in whatever order they come', async () => {
  const { ask, asked, answer, workers } = desk();
  const [first, second] = [ask(circle), ask(circle)];
  expect([workers.length, asked.map(({ ticket }) => ticket)]).toEqual([1, [1, 2]]);
  answer({ ticket: 2, error: 'too much' });
  answer({ ticket: 1, figures });
  expect(await first).toEqual(figures);
  await expect(second).rejects.toThrow('too much');
});

test('a worker that dies fails what waits for it, and the next question has another', async () => {
  const { ask, workers, answer } = desk();
  const waiting = ask(circle);
  workers[0]!.onerror!();
  await expect(waiting).rejects.toThrow('could not be measured');
  const again = ask(circle);
  expect(workers).toHaveLength(2);
  answer({ ticket: 2, figures });
  expect(await again).toEqual(figures);
});
