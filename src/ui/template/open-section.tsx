'use client';
import { use } from 'react';
import type { z } from 'zod';
import type { LayerDefinition } from '@/core/layers';
import { DEFINED, openFieldsIn, openWords, type LockableField, type Template } from '@/core/template';
import { LayerForm } from '../layers/layer-form';
import { replaced } from '../layers/lists';
import { NumberField } from '../shared/number-field';
import { Section } from '../shared/section';
import { LocksContext } from './locks';
import type { TemplateStore } from './store';

type PartProps = { readonly template: Template; readonly store: TemplateStore };
type Defined = keyof typeof DEFINED;

/** The open fields of one layer, in the form of its kind. */
function OpenLayer({
  part,
  keys,
  layer,
  title,
  template,
  store,
  onChange,
}: PartProps & {
  readonly part: Defined;
  readonly keys: readonly string[];
  readonly layer: object;
  readonly title: string;
  readonly onChange: (fields: object) => void;
}) {
  const definition = DEFINED[part] as unknown as LayerDefinition<z.ZodObject>;
  const without = Object.keys(definition.controls).filter((key) => !keys.includes(key));
  return (
    <fieldset>
      <legend className="muted small-text">{title}</legend>
      <LayerForm
        definition={{ ...definition, parts: {} }}
        layer={layer}
        template={template}
        without={without}
        onChange={onChange}
        onDrag={store.drag}
      />
    </fieldset>
  );
}

/** The open fields of a part: of each of its layers where it is a list. */
function OpenPart({
  part,
  fields,
  template,
  store,
}: PartProps & { readonly part: Defined; readonly fields: readonly LockableField[] }) {
  const keys = fields.map(({ key }) => key);
  const value = template[part];
  const definition = DEFINED[part] as unknown as LayerDefinition<z.ZodObject>;
  const own = { part, keys, template, store };
  if (value === null) return null;
  if (!Array.isArray(value))
    return (
      <OpenLayer
        {...own}
        title={definition.title(value)}
        layer={value}
        onChange={(next) => store.change((t) => ({ ...t, [part]: { ...(t[part] as object), ...next } }))}
      />
    );
  const layers = value as readonly object[];
  return layers.map((layer, i) => (
    <OpenLayer
      key={i}
      {...own}
      title={`${definition.title(layer as never)} ${i + 1}`}
      layer={layer}
      onChange={(next) => store.change((t) => ({ ...t, [part]: replaced(t[part] as readonly object[], i, next) }))}
    />
  ));
}

/** A length of the edge, which has no definition. */
function OpenLength({ field: { key, label }, template, store }: PartProps & { readonly field: LockableField }) {
  const { edge, frame, shape } = template;
  const side = Math.min(shape.box.width, shape.box.height);
  return (
    <NumberField
      label={label}
      value={edge[key as 'feather' | 'rounding']}
      min={0}
      max={100_000}
      unit={frame.unit}
      slider={[0, side / (key === 'feather' ? 8 : 2)]}
      onChange={(v) => store.change((t) => ({ ...t, edge: { ...t.edge, [key]: v } }))}
      onDrag={store.drag}
    />
  );
}

/** The single fields that a locked template leaves open, all in one place. */
export function OpenSection({ template, store }: PartProps) {
  const fields = openFieldsIn(use(LocksContext)?.open ?? null);
  if (fields.length === 0) return null;
  const parts = [...new Set(fields.map(({ part }) => part))];
  return (
    <Section title="Open here" value={openWords(fields.map(({ path }) => path))} startOpen>
      {parts.map((part) => {
        const own = fields.filter((field) => field.part === part);
        return part in DEFINED ? (
          <OpenPart key={part} part={part as Defined} fields={own} template={template} store={store} />
        ) : (
          own.map((field) => <OpenLength key={field.path} field={field} template={template} store={store} />)
        );
      })}
    </Section>
  );
}
