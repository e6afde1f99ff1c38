'use client';
import { Button } from 'react-bootstrap';
import { blendSchema, isAreaPaint, type Blend } from '@/core/paint';
import type { Template, Tint } from '@/core/template';
import { useActions } from '../keys/use-keys';
import { PaintField } from '../paint/paint-field';
import { Section } from '../shared/section';
import { SelectField } from '../shared/select-field';
import { Layer } from './layer';
import { moved, moves, replaced, without } from './lists';
import type { TemplateStore } from './store';
import { StrengthField } from './strength-field';
import { tintsWords } from './words';

/** A rim that darkens: what a first tint is mostly for. */
const darkRim = (depth: number): Tint => ({
  paint: { kind: 'contour', depth, stops: [[0, '#00000099'], [1, '#00000000']] }, // prettier-ignore
  blend: 'multiply',
  opacity: 1,
  on: true,
});

/** Colours and gradients laid over the photo. */
export function TintsSection({ template, store }: { readonly template: Template; readonly store: TemplateStore }) {
  const { tints, shape, frame } = template;
  const depth = Math.round(Math.min(shape.box.width, shape.box.height) * 25) / 100;
  const change = (next: (list: readonly Tint[]) => readonly Tint[]) =>
    store.change((t) => ({ ...t, tints: next(t.tints) }));
  const set = (i: number, fields: Partial<Tint>) => change((list) => replaced(list, i, fields));
  const add = () => change((list) => [...list, darkRim(depth)]);
  useActions('page', { addTint: add });
  return (
    <Section title="Tints" word="tint" value={tintsWords(template)}>
      {tints.map((tint, i) => (
        <Layer
          key={i}
          title={`Tint ${i + 1}`}
          on={tint.on}
          onSwitch={(on) => set(i, { on })}
          onRemove={() => change((list) => without(list, i))}
          {...(tints.length > 1 && { onMove: moves(tints.length, i, (by) => change((list) => moved(list, i, by))) })}
        >
          <PaintField
            label="Paint"
            paint={tint.paint}
            depth={depth}
            unit={frame.unit}
            onChange={(paint) => isAreaPaint(paint) && set(i, { paint })}
            onDrag={store.drag}
          />
          <SelectField label="Blend" value={tint.blend} onChange={(blend) => set(i, { blend: blend as Blend })}>
            {blendSchema.options.map((blend) => (
              <option key={blend} value={blend}>
                {blend.replace('-', ' ')}
              </option>
            ))}
          </SelectField>
          <StrengthField value={tint.opacity} onChange={(opacity) => set(i, { opacity })} onDrag={store.drag} />
        </Layer>
      ))}
      {tints.length < 16 && (
        <Button variant="quiet" className="mt-1" onClick={add}>
          Add a tint
        </Button>
      )}
    </Section>
  );
}
