'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { LayerList as ListName } from '@/core/layers';
import type { Template } from '@/core/template';
import { askedIn, useAsking } from '../shared/asked';
import { setStage } from '../stage/stage-state';
import type { TemplateStore } from '../template/store';
import { LayerCard } from './layer-card';
import { LayerForm } from './layer-form';
import { MOST, newLayer } from './lists';
import { SortableLayers } from './sortable-layers';
import { useLayerList } from './use-layer-list';

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
  const own = useLayerList(list, template, store);
  const { definition, layers } = own;
  const [opened, setOpened] = useState<number | null>(() => askedIn(list));
  useAsking(({ layer }) => {
    if (layer?.list === list) setOpened(layer.i);
  });
  // Until one is chosen it is the last: what was added is what is worked on.
  const open = opened !== null && opened < layers.length ? opened : layers.length - 1;
  const ids = layers.map((_, i) => `${list} ${i}`);
  const move = (i: number, to: number) => {
    if (!own.move(i, to)) return;
    setOpened(to);
    // The grip that was held goes where its layer goes.
    requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-layer="${list} ${to}"] .grip`)?.focus());
  };
  const cards = layers.map((layer, i) => (
    <div key={i} data-layer={ids[i]} onFocus={() => setStage({ layer: { list, i } })}>
      <LayerCard
        {...own.cardOf(i)}
        onRemove={() => {
          own.remove(i);
          setOpened(null);
        }}
        onReset={() => own.reset(i)}
        onCopy={
          layers.length < MOST
            ? () => {
                own.copy(i);
                setOpened(i + 1);
              }
            : null
        }
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
          onChange={(next) => own.set(i, next)}
          onDrag={store.drag}
        />
      </LayerCard>
    </div>
  ));
  return (
    <>
      {layers.length > 1 ? (
        <SortableLayers id={list} ids={ids} onMove={move}>
          {cards}
        </SortableLayers>
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
