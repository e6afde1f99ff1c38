/** Figures of shapes, worked out by a worker one after the other. */
import type { Shape, ShapeFigures } from '../core/shape';

export type ShapeQuestion = { readonly ticket: number; readonly shape: Shape };
export type ShapeAnswer = { readonly ticket: number } & (
  | { readonly figures: ShapeFigures }
  | { readonly error: string }
);

type Waiting = { readonly resolve: (figures: ShapeFigures) => void; readonly reject: (error: Error) => void };

const STOPPED = 'The shapes could not be measured: reload the page.';

/** @param start makes the worker, when something is asked first */
export function createShapeFigures(
  start: () => Worker = () => new Worker(new URL('./shape-figures-worker.ts', import.meta.url), { type: 'module' }),
): (shape: Shape) => Promise<ShapeFigures> {
  const waiting = new Map<number, Waiting>();
  let worker: Worker | null = null;
  let tickets = 0;

  function started(): Worker {
    const made = start();
    made.onmessage = ({ data }: MessageEvent<ShapeAnswer>) => {
      const asked = waiting.get(data.ticket);
      waiting.delete(data.ticket);
      if ('error' in data) asked?.reject(new Error(data.error));
      else asked?.resolve(data.figures);
    };
    made.onerror = () => {
      for (const { reject } of waiting.values()) reject(new Error(STOPPED));
      waiting.clear();
      worker = null;
    };
    return made;
  }

  return (shape) =>
    new Promise((resolve, reject) => {
      worker ??= started();
      const ticket = ++tickets;
      waiting.set(ticket, { resolve, reject });
      worker.postMessage({ ticket, shape } satisfies ShapeQuestion);
    });
}
