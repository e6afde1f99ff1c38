'use client';
import { Button } from 'react-bootstrap';
import { documentSchema, type Border, type Shadow, type Template } from '@/core/template';
import { useActions } from '../keys/use-keys';
import { ChoiceField } from '../shared/choice-field';
import { ColourField } from '../shared/colour-field';
import { PaintField } from '../paint/paint-field';
import { NumberField } from '../shared/number-field';
import { Section } from '../shared/section';
import { Layer } from './layer';
import { replaced, without } from './lists';
import type { TemplateStore } from './store';
import { StrengthField } from './strength-field';
import { bordersWords, shadowsWords } from './words';

type PartProps = { readonly template: Template; readonly store: TemplateStore };

/** A new layer with the format's own defaults, its lengths in proportion to the frame. */
function newLayers(template: Template) {
  const { borders, shadows } = documentSchema.parse({ wobrel: 1, name: 'new', borders: [{}], shadows: [{}] });
  const k = Math.min(template.frame.width, template.frame.height) / 1080;
  const scale = (v: number) => Math.round(v * k * 100) / 100;
  const [border, shadow] = [borders[0] as Border, shadows[0]!];
  return {
    border: { ...border, width: scale(border.width) },
    shadow: { ...shadow, y: scale(shadow.y), blur: scale(shadow.blur) },
  };
}

const ALIGN = { inside: 'inside', centre: 'centre', outside: 'outside' } as const;
const LINES = { whole: 'whole', dashed: 'dashed', dotted: 'dotted' } as const;
const FALLS = { drop: 'behind', inner: 'into it', ground: 'floor' } as const;
const SHADOWS = { drop: 'Drop', inner: 'Inner', ground: 'Floor' } as const;
const JOINS = { round: 'round', miter: 'sharp', bevel: 'cut off' } as const;

type DashesProps = {
  readonly border: Border;
  readonly unit: string;
  readonly onChange: (fields: Partial<Border>) => void;
};

/** A line whole, dashed or dotted; more lengths than two are kept as the document has them. */
function Dashes({ border: { width, dash, dashCap }, unit, onChange }: DashesProps) {
  const kind = dash === null ? 'whole' : dash[0] === 0 && dashCap === 'round' ? 'dotted' : 'dashed';
  const length = { min: 0, max: 100_000, unit };
  const take = (next: string) => {
    if (next === 'whole') onChange({ dash: null });
    if (next === 'dashed') onChange({ dash: [width * 3, width * 2], dashCap: 'butt' });
    if (next === 'dotted') onChange({ dash: [0, width * 2], dashCap: 'round' });
  };
  return (
    <>
      <ChoiceField label="Line" value={kind} options={LINES} onChange={take} />
      {dash && kind === 'dashed' && (
        <NumberField
          label="Dash"
          value={dash[0]!}
          {...length}
          onChange={(v) => onChange({ dash: [v, ...dash.slice(1)] })}
        />
      )}
      {dash && (
        <NumberField
          label="Space"
          value={dash[1] ?? dash[0]!}
          {...length}
          onChange={(v) => onChange({ dash: [dash[0]!, v, ...dash.slice(2)] })}
        />
      )}
    </>
  );
}

export function BordersSection({ template, store }: PartProps) {
  const { frame, borders, shape } = template;
  const reach = Math.min(frame.width, frame.height) / 8;
  const set = (i: number, fields: Partial<Border>) =>
    store.change((t) => ({ ...t, borders: replaced(t.borders, i, fields) }));
  const add = () => store.change((t) => ({ ...t, borders: [...t.borders, newLayers(t).border] }));
  useActions('page', { addBorder: add });
  const length = {
    min: 0,
    max: 100_000,
    unit: frame.unit,
    slider: [0, reach] as const,
    step: reach < 20 ? 0.1 : 1,
    onDrag: store.drag,
  };
  return (
    <Section title="Borders" value={bordersWords(template)} startOpen>
      {borders.map((border, i) => (
        <Layer
          key={i}
          title={`Border ${i + 1}`}
          on={border.on}
          onSwitch={(on) => set(i, { on })}
          onRemove={() => store.change((t) => ({ ...t, borders: without(t.borders, i) }))}
        >
          <NumberField label="Width" value={border.width} onChange={(width) => set(i, { width })} {...length} />
          <ChoiceField label="Lies" value={border.align} options={ALIGN} onChange={(align) => set(i, { align })} />
          <PaintField
            label="Paint"
            isLine
            paint={border.paint}
            depth={Math.max(border.width, 1)}
            unit={frame.unit}
            onChange={(paint) => set(i, { paint })}
            onDrag={store.drag}
          />
          <Dashes border={border} unit={frame.unit} onChange={(fields) => set(i, fields)} />
          <NumberField label="Away by" value={border.gap} onChange={(gap) => set(i, { gap })} {...length} />
          <StrengthField value={border.opacity} onChange={(opacity) => set(i, { opacity })} onDrag={store.drag} />
          {(shape.kind === 'rectangle' || shape.kind === 'polygon') && (
            <ChoiceField label="Corners" value={border.join} options={JOINS} onChange={(join) => set(i, { join })} />
          )}
        </Layer>
      ))}
      <Button variant="quiet" className="mt-1" onClick={add}>
        Add a border
      </Button>
    </Section>
  );
}

export function ShadowsSection({ template, store }: PartProps) {
  const { frame, shadows } = template;
  const reach = Math.min(frame.width, frame.height) / 8;
  const set = (i: number, fields: Partial<Shadow>) =>
    store.change((t) => ({ ...t, shadows: replaced(t.shadows, i, fields) }));
  const add = () => store.change((t) => ({ ...t, shadows: [...t.shadows, newLayers(t).shadow] }));
  useActions('page', { addShadow: add });
  const common = { unit: frame.unit, step: reach < 20 ? 0.1 : 1, onDrag: store.drag };
  const either = { ...common, min: -100_000, max: 100_000, slider: [-reach, reach] as const };
  return (
    <Section title="Shadows" value={shadowsWords(template)} startOpen>
      {shadows.map((shadow, i) => (
        <Layer
          key={i}
          title={`${SHADOWS[shadow.kind]} shadow ${i + 1}`}
          on={shadow.on}
          onSwitch={(on) => set(i, { on })}
          onRemove={() => store.change((t) => ({ ...t, shadows: without(t.shadows, i) }))}
        >
          <ChoiceField
            label="Falls"
            value={shadow.kind}
            options={FALLS}
            // A cutout that stands begins by touching its floor.
            onChange={(kind) => set(i, { kind, ...(kind === 'ground' && { x: 0, y: 0 }) })}
          />
          <NumberField label="Across" value={shadow.x} onChange={(x) => set(i, { x })} {...either} />
          <NumberField label="Down" value={shadow.y} onChange={(y) => set(i, { y })} {...either} />
          <NumberField
            label="Blur"
            value={shadow.blur}
            min={0}
            max={100_000}
            slider={[0, reach]}
            onChange={(blur) => set(i, { blur })}
            {...common}
          />
          <NumberField
            label="Spread"
            value={shadow.spread}
            onChange={(spread) => set(i, { spread })}
            {...either}
            slider={[-reach / 2, reach / 2]}
          />
          {shadow.kind === 'ground' && (
            <>
              <NumberField
                label="Reach"
                value={shadow.reach}
                onChange={(next) => set(i, { reach: next })}
                {...common}
                min={0.01}
                max={100_000}
                slider={[reach / 20, reach * 2]}
              />
              <NumberField
                label="Depth"
                value={shadow.depth}
                onChange={(depth) => set(i, { depth })}
                {...common}
                min={0}
                max={100_000}
                slider={[0, reach]}
              />
            </>
          )}
          <ColourField
            label="Colour"
            value={shadow.color}
            onChange={(color) => set(i, { color })}
            onDrag={store.drag}
          />
          <StrengthField value={shadow.opacity} onChange={(opacity) => set(i, { opacity })} onDrag={store.drag} />
        </Layer>
      ))}
      <Button variant="quiet" className="mt-1" onClick={add}>
        Add a shadow
      </Button>
    </Section>
  );
}
