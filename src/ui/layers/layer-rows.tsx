'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { LayerList as ListName } from '@/core/layers';
import type { Template } from '@/core/template';
import { askFor } from '../shared/asked';
import { setStage } from '../stage/stage-state';
import type { TemplateStore } from '../template/store';
import { LayerCard } from './layer-card';
import { MOST, type LayerOf } from './lists';
import { SortableLayers } from './sortable-layers';
import { StrengthField } from './strength-field';
import { useLayerList } from './use-layer-list';

type LayerRowsProps<K extends ListName> = {
  readonly list: K;
  readonly template: Template;
  readonly store: TemplateStore;
  /** The section that has their forms, by its title. */
  readonly section: string;
};

/** A list of layers as lines, the uppermost first: order, eye, lock and strength; the rest of each is in its section. */
export function LayerRows<K extends ListName>({ list, template, store, section }: LayerRowsProps<K>) {
  const own = useLayerList(list, template, store);
  const { layers } = own;
  const [opened, setOpened] = useState<number | null>(null);
  if (layers.length === 0) return null;
  // Shadows are listed from the top down, as CSS does it; all others from the bottom up.
  const places = layers.map((_, k) => (list === 'shadows' ? k : layers.length - 1 - k));
  const idOf = (i: number) => `row ${list} ${i}`;
  const move = (from: number, to: number) => {
    const target = places[to];
    if (target === undefined || !own.move(places[from]!, target)) return;
    setOpened(null);
    requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-layer="${idOf(target)}"] .grip`)?.focus());
  };
  return (
    <SortableLayers id={`rows of ${list}`} ids={places.map(idOf)} onMove={move}>
      {places.map((i, k) => {
        const layer = layers[i]!;
        return (
          <div key={i} data-layer={idOf(i)} onFocus={() => setStage({ layer: { list, i } })}>
            <LayerCard
              isLine
              {...own.cardOf(i)}
              onRemove={() => {
                own.remove(i);
                setOpened(null);
              }}
              onReset={() => own.reset(i)}
              onCopy={layers.length < MOST ? () => own.copy(i) : null}
              among={{
                id: idOf(i),
                open: i === opened,
                onOpen: () => setOpened(i === opened ? null : i),
                onMove: (by) => move(k, k + by),
              }}
            >
              {'opacity' in layer && (
                <StrengthField
                  value={layer.opacity}
                  onChange={(opacity) => own.set(i, { opacity } as unknown as Partial<LayerOf<K>>)}
                  onDrag={store.drag}
                />
              )}
              <Button variant="quiet" onClick={() => askFor(section, { list, i })}>
                All of it
              </Button>
            </LayerCard>
          </div>
        );
      })}
    </SortableLayers>
  );
}
