'use client';
import { layerKind, type LayerList as ListName } from '@/core/layers';
import type { Template } from '@/core/template';
import type { TemplateStore } from '../template/store';
import { doubled, moved, newLayer, replaced, without, type LayerOf } from './lists';

/** A template's list of layers with all that is done to one of them. */
export function useLayerList<K extends ListName>(list: K, template: Template, store: TemplateStore) {
  const definition = layerKind(list);
  const layers = template[list] as readonly LayerOf<K>[];
  const change = (next: (layers: readonly LayerOf<K>[], template: Template) => readonly LayerOf<K>[]) =>
    store.change((t) => ({ ...t, [list]: next(t[list], t) }));
  const set = (i: number, fields: Partial<LayerOf<K>>) => change((all) => replaced(all, i, fields));
  return {
    definition,
    layers,
    set,
    /** What the card of one says, and its eye and lock. */
    cardOf: (i: number) => {
      const layer = layers[i]!;
      return {
        title: `${definition.title(layer)} ${i + 1}`,
        words: definition.words(layer, template.frame.unit),
        on: layer.on,
        onSwitch: (on: boolean) => set(i, { on } as Partial<LayerOf<K>>),
        locked: layer.locked,
        onLock: (locked: boolean) => set(i, { locked } as Partial<LayerOf<K>>),
      };
    },
    copy: (i: number) => change((all) => doubled(all, i)),
    remove: (i: number) => change((all) => without(all, i)),
    reset: (i: number) => change((all, t) => replaced(all, i, newLayer(list, t))),
    /** False where it would leave the list. */
    move: (i: number, to: number): boolean => {
      if (to < 0 || to >= layers.length || to === i) return false;
      change((all) => moved(all, i, to));
      return true;
    },
  };
}
