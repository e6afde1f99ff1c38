/** Progress of deliveries as it happens, from the runner to whoever listens in this process. */
import { EventEmitter } from 'node:events';
import { oncePerProcess } from '../once';

const emitter = () =>
  oncePerProcess('events', () => {
    const events = new EventEmitter();
    events.setMaxListeners(0);
    return events;
  });

export const announce = (deliveryId: number) => emitter().emit(String(deliveryId));

/** Calls back on every change until the returned function is called. */
export function listen(deliveryId: number, onChange: () => void): () => void {
  emitter().on(String(deliveryId), onChange);
  return () => emitter().off(String(deliveryId), onChange);
}
