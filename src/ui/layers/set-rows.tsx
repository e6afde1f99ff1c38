'use client';
import { useState } from 'react';
import { layerSet } from '@/core/layers';
import type { Template } from '@/core/template';
import type { TemplateStore } from '../template/store';
import { LayerCard } from './layer-card';
import { LayerForm } from './layer-form';
import { setNames, setOf, withoutSet, withSet } from './lists';

/** The sets of layers behind and on top: each switched, and laid as one. */
export function SetRows({ template, store }: { readonly template: Template; readonly store: TemplateStore }) {
  const [opened, setOpened] = useState<string | null>(null);
  return setNames(template).map((name) => {
    const set = setOf(template, name);
    return (
      <LayerCard
        key={name}
        isLine
        title={layerSet.title(set)}
        words={layerSet.words(set, template.frame.unit)}
        on={set.on}
        onSwitch={(on) => store.change((t) => withSet(t, name, { on }))}
        onRemove={() => store.change((t) => withoutSet(t, name))}
        onReset={() => store.change((t) => withSet(t, name, layerSet.schema.parse({ name })))}
        opens={{ open: opened === name, onOpen: () => setOpened(opened === name ? null : name) }}
      >
        <LayerForm
          definition={layerSet}
          layer={set}
          template={template}
          onChange={(fields) => store.change((t) => withSet(t, name, fields))}
          onDrag={store.drag}
        />
      </LayerCard>
    );
  });
}
