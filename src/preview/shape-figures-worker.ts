/** The worker that measures shapes. */
import { outlineOf, shapeFigures } from '../core/shape';
import type { ShapeAnswer, ShapeQuestion } from './shape-figures';

const scope = self as unknown as DedicatedWorkerGlobalScope;

scope.onmessage = ({ data: { ticket, shape } }: MessageEvent<ShapeQuestion>) => {
  let answer: ShapeAnswer;
  try {
    answer = { ticket, figures: shapeFigures(outlineOf(shape)) };
  } catch (error) {
    answer = { ticket, error: (error as Error).message };
  }
  scope.postMessage(answer);
};
