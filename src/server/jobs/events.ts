/** Progress of deliveries as it happens, from the runner to whoever listens in this process. */
import { EventEmitter } from 'node:events';
import { oncePerWorkspace, type Here } from '../workspace';

const emitter = (here: Here) =>
  oncePerWorkspace(here, 'events', () => {
    const events = new EventEmitter();
    events.setMaxListeners(0);
    return events;
  });

export const announce = (here: Here, deliveryId: number) => emitter(here).emit(String(deliveryId));

/** Calls back on every change until the returned function is called. */
export function listen(here: Here, deliveryId: number, onChange: () => void): () => void {
  emitter(here).on(String(deliveryId), onChange);
  return () => emitter(here).off(String(deliveryId), onChange);
}
