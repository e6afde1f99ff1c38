/** The slot that is worked on, as if it were a template by itself. */
import { hasSlots, withSlotInHand, withSlotPutBack, type Template } from '@/core/template';
import { useStage } from '../stage/stage-state';
import type { TemplateStore } from './store';

/** Which slot is worked on; null where the template has none. */
export function useSlotInHand(template: Template): number | null {
  const slot = useStage((state) => state.slot);
  return hasSlots(template) ? Math.min(slot, template.slots.length - 1) : null;
}

/** The store as the sections of one slot use it: what is changed of the slot's own fields is changed in the slot. */
export const slotStore = (store: TemplateStore, slot: number | null): TemplateStore =>
  slot === null
    ? store
    : { ...store, change: (change) => store.change((t) => withSlotPutBack(t, slot, change(withSlotInHand(t, slot)))) };
