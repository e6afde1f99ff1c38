/** What happens in a workspace, told to whoever listens in this process. */
import { EventEmitter } from 'node:events';
import { oncePerProcess } from '../once';

/** What has changed of something, and in which window. */
export type Signal = {
  /** The window in which it was done; null where it was done by something else. */
  readonly by: string | null;
  /** Photos of a batch that are other than before, or new. */
  readonly photos?: readonly number[];
  /** True where more is other than those photos say. */
  readonly isMore?: boolean;
};

type Place = { readonly key: number };

const emitter = ({ key }: Place) =>
  oncePerProcess(`signals of ${key}`, () => {
    const events = new EventEmitter();
    events.setMaxListeners(0);
    return events;
  });

/** Tells whoever listens to a topic, such as `batch 3`. */
export const announce = (place: Place, topic: string, signal: Signal = { by: null }): void =>
  void emitter(place).emit(topic, signal);

/** Calls back on every change until the returned function is called. */
export function listen(place: Place, topic: string, onSignal: (signal: Signal) => void): () => void {
  emitter(place).on(topic, onSignal);
  return () => emitter(place).off(topic, onSignal);
}
