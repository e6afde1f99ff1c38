'use client';
import type { Template } from '@/core/template';
import { useActions } from '../keys/use-keys';
import { LayerList, withNew } from '../layers/layer-list';
import { ChoiceField } from '../shared/choice-field';
import { PaintField } from '../paint/paint-field';
import { Section } from '../shared/section';
import { setStage } from '../stage/stage-state';
import type { TemplateStore } from './store';
import { backdropWords } from './words';

/** What lies behind the cutout in the file: nothing, a paint, and on it paints or the photo once more. */
export function BackdropSection({ template, store }: { template: Template; store: TemplateStore }) {
  const { backdrop, frame } = template;
  useActions('page', { addBehind: () => store.change(withNew('behind')) });
  const set = (paint: Template['backdrop']) => store.change((t) => ({ ...t, backdrop: paint }));
  return (
    <Section title="Backdrop" group="backdrop" word="backdrop" value={backdropWords(template)}>
      <ChoiceField
        label="In the file"
        value={backdrop === null ? 'none' : 'colour'}
        options={{ none: 'transparent', colour: 'painted' }}
        onChange={(v) => set(v === 'none' ? null : '#ffffff')}
      />
      {backdrop !== null && (
        <div onFocus={() => setStage({ layer: { list: 'backdrop' } })}>
          <PaintField
            takesPattern
            label="Paint"
            paint={backdrop}
            depth={Math.min(frame.width, frame.height) / 4}
            unit={frame.unit}
            side={Math.min(frame.width, frame.height)}
            onChange={(paint) => set(paint as Template['backdrop'])}
            onDrag={store.drag}
          />
        </div>
      )}
      <LayerList list="behind" template={template} store={store} action="Add a photo, picture or paint behind" />
    </Section>
  );
}
