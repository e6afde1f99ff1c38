'use client';
import { closestCenter, DndContext, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import type { ReactNode } from 'react';

type SortableLayersProps = {
  readonly id: string;
  /** Of the layers as they are shown. */
  readonly ids: readonly string[];
  /** From one of these places to another. */
  readonly onMove: (from: number, to: number) => void;
  readonly children: ReactNode;
};

/** Layers that are put into another order by hand; keys are the grips' own. */
export function SortableLayers({ id, ids, onMove, children }: SortableLayersProps) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  return (
    <DndContext
      id={id}
      sensors={sensors}
      accessibility={{ screenReaderInstructions: { draggable: 'Arrow keys move the layer.' } }}
      collisionDetection={closestCenter}
      onDragEnd={({ active, over }) => over && onMove(ids.indexOf(String(active.id)), ids.indexOf(String(over.id)))}
    >
      <SortableContext items={[...ids]} strategy={verticalListSortingStrategy}>
        {children}
      </SortableContext>
    </DndContext>
  );
}
