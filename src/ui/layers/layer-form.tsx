'use client';
import type { z } from 'zod';
import type { Border, Control, LayerDefinition, Place, ProfileCurve, Room } from '@/core/layers';
import type { LinePaint } from '@/core/paint';
import type { Shape } from '@/core/shape';
import { hasSlots, roundedIn, stepIn, type Template } from '@/core/template';
import { PaintField } from '../paint/paint-field';
import { ChoiceField } from '../shared/choice-field';
import { ColourField } from '../paint/colour-field';
import { NumberField } from '../shared/number-field';
import { limitsOf } from '../shared/number-limits';
import { SelectField } from '../shared/select-field';
import { PictureField } from '../pictures/picture-field';
import { BoxField } from './box-field';
import { CurveField } from './curve-field';
import { DashesField } from './dashes-field';
import { LayerParts } from './layer-parts';
import { SeedField } from './seed-field';
import { SetField } from './set-field';
import { MaskField } from './mask-field';
import { goodDepth } from './lists';
import { StrengthField } from './strength-field';
import { PatternField } from '../shared/pattern-field';

type Values = Readonly<Record<string, unknown>>;

type LayerFormProps<L> = {
  readonly definition: LayerDefinition<z.ZodObject>;
  readonly layer: L;
  readonly template: Template;
  /** Fields that this template has no use for. */
  readonly without?: readonly string[];
  readonly onChange: (fields: Partial<L>) => void;
  readonly onDrag: (active: boolean) => void;
};

/** Numbers that are no lengths: what stands behind them, and how finely they are set. */
const NUMBERS = {
  times: { unit: '×', step: 0.05 },
  angle: { unit: '°', step: 1 },
  count: { unit: '', step: 1 },
  number: { unit: '', step: 1 },
} as const;

/** A paint that some layers take, and some do not. */
const PATTERN = { kind: 'pattern', size: 1 };

/** Lengths that suit a template's layers. */
function roomOf(template: Template): Room {
  const { width, height } = template.frame;
  return { reach: Math.min(width, height) / 8, depth: goodDepth(template) };
}

/** A layer's form, built from its definition. */
export function LayerForm<L extends object>(props: LayerFormProps<L>) {
  const { definition, layer, template, without = [], onChange, onDrag } = props;
  const values = layer as Values;
  const room = roomOf(template);
  const { unit } = template.frame;
  const set = (fields: Values) => onChange(fields as Partial<L>);

  const field = (key: string, control: Control<Values>) => {
    const { label } = control;
    const value = values[key];
    const take = (next: unknown) => set({ [key]: next });
    switch (control.as) {
      case 'length': {
        const [min, max] = limitsOf(definition.schema.shape[key] as z.ZodType);
        const [from, to] = control.slider;
        const number = (
          <NumberField
            key={key}
            label={control.open ? `${label} so` : label}
            value={value as number}
            min={min}
            max={max}
            unit={unit}
            slider={[from * room.reach, to * room.reach]}
            step={Math.min(room.reach < 20 ? 0.1 : 1, stepIn(unit))}
            onChange={take}
            onDrag={onDrag}
          />
        );
        if (!control.open) return number;
        return (
          <div key={key}>
            <ChoiceField
              label={label}
              value={value === null ? 'open' : 'so'}
              options={{ open: control.open, so: 'so wide' }}
              onChange={(next) => take(next === 'open' ? null : Math.max(min, roundedIn(unit)(to * room.reach)))}
            />
            {value !== null && number}
          </div>
        );
      }
      case 'strength':
        return (
          <StrengthField
            key={key}
            label={label}
            value={value as number}
            least={limitsOf(definition.schema.shape[key] as z.ZodType)[0]}
            onChange={take}
            onDrag={onDrag}
          />
        );
      case 'times':
      case 'angle':
      case 'count':
      case 'number': {
        const [min, max] = limitsOf(definition.schema.shape[key] as z.ZodType);
        const { unit: sign, step } = NUMBERS[control.as];
        return (
          <NumberField
            key={key}
            label={label}
            value={value as number}
            min={min}
            max={max}
            unit={sign}
            step={step}
            slider={control.slider}
            onChange={(v) => take(control.as === 'count' ? Math.round(v) : v)}
            onDrag={onDrag}
          />
        );
      }
      case 'seed':
        return <SeedField key={key} seed={value as number} onChange={take} />;
      case 'set':
        return <SetField key={key} label={label} set={value as string | null} template={template} onChange={take} />;
      case 'curve':
        return <CurveField key={key} label={label} curve={value as ProfileCurve} onChange={take} onDrag={onDrag} />;
      case 'colour': {
        const colour = (
          <ColourField
            key={key}
            label={control.open ? 'Colour' : label}
            value={value as string}
            onChange={take}
            onDrag={onDrag}
          />
        );
        if (!control.open) return colour;
        return (
          <div key={key}>
            <ChoiceField
              label={label}
              value={value === null ? 'open' : 'own'}
              options={{ open: control.open, own: 'a colour' }}
              onChange={(next) => take(next === 'open' ? null : '#c9765a')}
            />
            {value !== null && colour}
          </div>
        );
      }
      case 'text':
        return (
          <PatternField key={key} label={label} value={value as string} most={500} onChange={take} onDrag={onDrag} />
        );
      case 'dashes':
        return <DashesField key={key} label={label} border={layer as unknown as Border} unit={unit} onChange={set} />;
      case 'box':
        return (
          <BoxField
            key={key}
            label={label}
            box={value as Place | null}
            isUpright={values.show === 'photo'}
            template={template}
            onChange={take}
            onDrag={onDrag}
          />
        );
      case 'mask':
        return (
          <MaskField
            key={key}
            label={label}
            shape={value as Shape | null}
            frame={template.frame}
            onChange={take}
            onDrag={onDrag}
          />
        );
      case 'picture':
        return <PictureField key={key} picture={value as string | null} onChange={take} />;
      case 'place': {
        const at = value as readonly [number, number];
        const common = { min: -100_000, max: 100_000, unit, onDrag };
        const { width, height } = template.frame;
        return (
          <div key={key}>
            <NumberField
              label="Across"
              value={at[0]}
              {...common}
              slider={[0, width]}
              onChange={(x) => take([x, at[1]])}
            />
            <NumberField
              label="Down"
              value={at[1]}
              {...common}
              slider={[0, height + template.mat.bottom]}
              onChange={(y) => take([at[0], y])}
            />
          </div>
        );
      }
      case 'paint':
        return (
          <PaintField
            key={key}
            label={label}
            isLine={control.isLine ?? false}
            takesPattern={(definition.schema.shape[key] as z.ZodType).safeParse(PATTERN).success}
            paint={value as LinePaint}
            depth={control.depth?.(values, room) ?? room.depth}
            unit={unit}
            side={room.reach * 8}
            onChange={take}
            onDrag={onDrag}
          />
        );
      case 'choice':
      case 'select': {
        const choose = (next: string) => set({ [key]: next, ...control.besides?.(next) });
        const isOffered = (option: string) => !hasSlots(template) || !control.ofOnePhoto?.includes(option);
        const offered = Object.entries(control.options).filter(([option]) => isOffered(option));
        if (control.as === 'choice') {
          const options = Object.fromEntries(offered);
          return <ChoiceField key={key} label={label} value={value as string} options={options} onChange={choose} />;
        }
        return (
          <SelectField key={key} label={label} value={value as string} onChange={choose}>
            {offered.map(([option, words]) => (
              <option key={option} value={option}>
                {words}
              </option>
            ))}
          </SelectField>
        );
      }
    }
  };

  const fields = Object.entries(definition.controls as Readonly<Record<string, Control<Values>>>).map(
    ([key, control]) => (without.includes(key) || control.shown?.(values) === false ? null : field(key, control)),
  );
  if (!definition.parts) return fields;
  return (
    <>
      {fields}
      <LayerParts
        form={(props) => <LayerForm {...props} />}
        parts={definition.parts}
        values={values}
        template={template}
        onChange={set}
        onDrag={onDrag}
      />
    </>
  );
}
