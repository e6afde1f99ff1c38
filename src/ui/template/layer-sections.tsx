'use client';
import { Button } from 'react-bootstrap';
import {
  light as lightDefinition,
  mat as matDefinition,
  reflection as reflectionDefinition,
  type Mat,
} from '@/core/layers';
import { withMat, type Template } from '@/core/template';
import { useActions } from '../keys/use-keys';
import { LayerCard } from '../layers/layer-card';
import { LayerForm } from '../layers/layer-form';
import { LayerList, withNew } from '../layers/layer-list';
import { goodDepth } from '../layers/lists';
import { PaintField } from '../paint/paint-field';
import { ChoiceField } from '../shared/choice-field';
import { Section } from '../shared/section';
import { setStage } from '../stage/stage-state';
import type { TemplateStore } from './store';
import { beforeWords, bordersWords, captionsWords, matWords, shadowsWords, tintsWords } from './words';

type PartProps = { readonly template: Template; readonly store: TemplateStore };

/** Colours and gradients laid over the photo. */
export function TintsSection({ template, store }: PartProps) {
  useActions('page', { addTint: () => store.change(withNew('tints')) });
  return (
    <Section title="Tints" group="tints" word="tint" value={tintsWords(template)}>
      <LayerList list="tints" template={template} store={store} action="Add a tint" />
    </Section>
  );
}

/** Lines along the outline. */
export function BordersSection({ template, store }: PartProps) {
  useActions('page', { addBorder: () => store.change(withNew('borders')) });
  const isLit = template.edge.relief !== null || template.borders.some(({ relief, shadow }) => relief || shadow);
  const hasCorners = template.shape.kind === 'rectangle' || template.shape.kind === 'polygon';
  return (
    <Section title="Borders" group="borders" value={bordersWords(template)} startOpen>
      <LayerList
        list="borders"
        template={template}
        store={store}
        action="Add a border"
        without={hasCorners ? [] : ['join']}
      />
      {isLit && (
        <fieldset>
          <legend className="muted small-text">Light on all of them</legend>
          <LayerForm
            definition={lightDefinition}
            layer={template.light}
            template={template}
            onChange={(fields) => store.change((t) => ({ ...t, light: { ...t.light, ...fields } }))}
            onDrag={store.drag}
          />
        </fieldset>
      )}
    </Section>
  );
}

/** What the cutout throws on what is below it, and its mirror image. */
export function ShadowsSection({ template, store }: PartProps) {
  useActions('page', { addShadow: () => store.change(withNew('shadows')) });
  const { reflection } = template;
  const set = (next: Template['reflection']) => store.change((t) => ({ ...t, reflection: next }));
  return (
    <Section title="Shadows" group="shadows" value={shadowsWords(template)} startOpen>
      <LayerList list="shadows" template={template} store={store} action="Add a shadow" />
      {reflection ? (
        <LayerCard
          title="Reflection"
          words={reflectionDefinition.words(reflection, template.frame.unit)}
          on={reflection.on}
          onSwitch={(on) => set({ ...reflection, on })}
          onReset={() => set(reflectionDefinition.schema.parse({}))}
          onRemove={() => set(null)}
        >
          <LayerForm
            definition={reflectionDefinition}
            layer={reflection}
            template={template}
            onChange={(fields) => set({ ...reflection, ...fields })}
            onDrag={store.drag}
          />
        </LayerCard>
      ) : (
        <Button variant="quiet" className="mt-1" onClick={() => set(reflectionDefinition.schema.parse({}))}>
          Add a reflection
        </Button>
      )}
    </Section>
  );
}

/** Room round the frame. */
export function MatSection({ template, store }: PartProps) {
  const { mat, frame } = template;
  const set = (fields: Partial<Mat>) => store.change((t) => withMat(t, { ...t.mat, ...fields }));
  return (
    <Section title="Mat" group="mat" word="mat" value={matWords(template)}>
      <LayerForm
        definition={matDefinition}
        layer={mat}
        template={template}
        without={['paint']}
        onChange={set}
        onDrag={store.drag}
      />
      <ChoiceField
        label="Painted"
        value={mat.paint === null ? 'backdrop' : 'own'}
        options={{ backdrop: 'as backdrop', own: 'its own' }}
        onChange={(v) => set({ paint: v === 'backdrop' ? null : '#ffffff' })}
      />
      {mat.paint !== null && (
        <div onFocus={() => setStage({ layer: { list: 'mat' } })}>
          <PaintField
            takesPattern
            label="Paint"
            paint={mat.paint}
            depth={goodDepth(template)}
            unit={frame.unit}
            side={Math.min(frame.width, frame.height)}
            onChange={(paint) => set({ paint: paint as Mat['paint'] })}
            onDrag={store.drag}
          />
        </div>
      )}
    </Section>
  );
}

/** Pictures and paints over the finished cutout. */
export function BeforeSection({ template, store }: PartProps) {
  useActions('page', { addBefore: () => store.change(withNew('before')) });
  return (
    <Section title="On top" group="before" value={beforeWords(template)}>
      <LayerList list="before" template={template} store={store} action="Add a picture or a paint on top" />
    </Section>
  );
}

/** Lines of letters on the cutout or in its mat. */
export function CaptionsSection({ template, store }: PartProps) {
  useActions('page', { addCaption: () => store.change(withNew('captions')) });
  return (
    <Section title="Captions" group="captions" word="caption" value={captionsWords(template)}>
      <LayerList list="captions" template={template} store={store} action="Add a caption" />
    </Section>
  );
}
