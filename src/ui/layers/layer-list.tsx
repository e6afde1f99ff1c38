'use client';
import { closestCenter, DndContext, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { z } from 'zod';
import { LAYER_LISTS, type LayerDefinition, type LayerList as ListName } from '@/core/layers';
import type { Template } from '@/core/template';
import { setStage } from '../stage/stage-state';
import type { TemplateStore } from '../template/store';
import { LayerCard } from './layer-card';
import { LayerForm } from './layer-form';
import { doubled, MOST, moved, newLayer, replaced, without, type LayerOf } from './lists';

type LayerListProps<K extends ListName> = {
  readonly list: K;
  readonly template: Template;
  readonly store: TemplateStore;
  /** "Add a border". */
  readonly action: string;
  /** Fields that this template has no use for. */
  readonly without?: readonly string[];
};

/** One more layer at the end of a list. */
export const withNew =
  (list: ListName) =>
  (template: Template): Template =>
    template[list].length >= MOST ? template : { ...template, [list]: [...template[list], newLayer(list, template)] };

/** The layers of a template's list. Of several only the one that is worked on is open. */
export function LayerList<K extends ListName>({ list, template, store, action, without: fields }: LayerListProps<K>) {
  const definition = LAYER_LISTS[list] as unknown as LayerDefinition<z.ZodObject>;
  const layers = template[list] as readonly LayerOf<K>[];
  const [opened, setOpened] = useState<number | null>(null);
  // Until one is chosen it is the last: what was added is what is worked on.
  const open = opened !== null && opened < layers.length ? opened : layers.length - 1;
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const ids = layers.map((_, i) => `${list} ${i}`);
  const change = (next: (layers: readonly LayerOf<K>[], template: Template) => readonly LayerOf<K>[]) =>
    store.change((t) => ({ ...t, [list]: next(t[list] as readonly LayerOf<K>[], t) }));
  const copy = (i: number) => {
    change((all) => doubled(all, i));
    setOpened(i + 1);
  };
  const move = (i: number, to: number) => {
    if (to < 0 || to >= layers.length || to === i) return;
    change((all) => moved(all, i, to));
    setOpened(to);
    // The grip that was held goes where its layer goes.
    requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-layer="${list} ${to}"] .grip`)?.focus());
  };
  const cards = layers.map((layer, i) => (
    <div key={i} data-layer={ids[i]} onFocus={() => setStage({ layer: { list, i } })}>
      <LayerCard
        title={`${definition.title(layer)} ${i + 1}`}
        words={definition.words(layer, template.frame.unit)}
        on={layer.on}
        onSwitch={(on) => change((all) => replaced(all, i, { on } as Partial<LayerOf<K>>))}
        onRemove={() => {
          change((all) => without(all, i));
          setOpened(null);
        }}
        onReset={() => change((all, t) => replaced(all, i, newLayer(list, t)))}
        onCopy={layers.length < MOST ? () => copy(i) : null}
        {...(layers.length > 1 && {
          among: {
            id: ids[i]!,
            open: i === open,
            onOpen: () => setOpened(i),
            onMove: (by: 1 | -1) => move(i, i + by),
          },
        })}
      >
        <LayerForm
          definition={definition}
          layer={layer}
          template={template}
          without={fields ?? []}
          onChange={(next) => change((all) => replaced(all, i, next))}
          onDrag={store.drag}
        />
      </LayerCard>
    </div>
  ));
  return (
    <>
      {layers.length > 1 ? (
        <DndContext
          id={list}
          sensors={sensors}
          accessibility={{ screenReaderInstructions: { draggable: 'Arrow keys move the layer.' } }}
          collisionDetection={closestCenter}
          onDragEnd={({ active, over }) => over && move(ids.indexOf(String(active.id)), ids.indexOf(String(over.id)))}
        >
          <SortableContext items={ids} strategy={verticalListSortingStrategy}>
            {cards}
          </SortableContext>
        </DndContext>
      ) : (
        cards
      )}
      {layers.length < MOST && (
        <Button
          variant="quiet"
          className="mt-1"
          onClick={() => {
            store.change(withNew(list));
            setOpened(null);
            setStage({ layer: { list, i: layers.length } });
          }}
        >
          {action}
        </Button>
      )}
    </>
  );
}
