'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { arrangedSlots, hasSlots, withSlotInHand, type Arrangement, type Slot, type Template } from '@/core/template';
import { ChoiceField } from '../shared/choice-field';
import { NumberField } from '../shared/number-field';
import { Section } from '../shared/section';
import { optionsOf, SelectField } from '../shared/select-field';
import { setStage } from '../stage/stage-state';
import { FillFields } from './fill-fields';
import { SlotList } from './slot-list';
import { gapIn, showsPhotoAgain, withSlots } from './slot-lists';
import type { TemplateStore } from './store';
import { slotsWords } from './words';

const FILLED = { order: 'order', name: 'name', data: 'data' } as const;
const MISSING: Readonly<Record<Template['fill']['missing'], string>> = {
  leave: 'nothing',
  repeat: 'the group’s first photo',
  skip: 'the cutout is not made',
};
const LAID: Readonly<Record<Arrangement['as'], string>> = { row: 'row', column: 'column', grid: 'grid', ring: 'ring' };

/** Lays the slots out anew. */
function Arrange({ template, store }: { readonly template: Template; readonly store: TemplateStore }) {
  const { frame, slots } = template;
  const [as, setAs] = useState<Arrangement['as']>('grid');
  const [gap, setGap] = useState(gapIn(frame));
  const laid = arrangedSlots(slots, { as, gap }, frame);
  return (
    <>
      <ChoiceField label="Lay out" value={as} options={LAID} onChange={setAs} />
      <NumberField label="Gap" value={gap} min={0} max={frame.width} unit={frame.unit} onChange={setGap} />
      <Button variant="plain" disabled={!laid} onClick={() => laid && store.change((t) => ({ ...t, slots: laid }))}>
        {laid ? `Lay out as a ${as}` : 'No room for this gap'}
      </Button>
    </>
  );
}

type SlotsSectionProps = {
  /** The whole template, with no slot in hand. */
  readonly template: Template;
  readonly slot: number | null;
  readonly store: TemplateStore;
};

/** Several photos in one cutout: the slots they lie in, what fills them, and how they are laid out. */
export function SlotsSection({ template, slot, store }: SlotsSectionProps) {
  const { fill, slots } = template;
  const setFill = (fields: Partial<Template['fill']>) =>
    store.change((t) => ({ ...t, fill: { ...t.fill, ...fields } }));
  const setSlots = (next: readonly Slot[], at: number) => {
    if (next !== slots) store.change((t) => ({ ...t, slots: next }));
    setStage({ slot: at, part: null, layer: null });
  };
  const isThere = hasSlots(template);
  const isOfOne = showsPhotoAgain(template);
  if (!isThere || slot === null)
    return (
      <Section title="Slots" group="shape" word="slot" value={slotsWords(template)}>
        <p className="muted small-text">
          One photo a cutout. With slots, a cutout shows several, each in a shape of its own.
          {isOfOne && ' First take away the layers that show the photo again: there is no single one then.'}
        </p>
        <div className="d-flex gap-1 flex-wrap">
          {[2, 3, 4].map((n) => (
            <Button
              key={n}
              variant="plain"
              disabled={isOfOne}
              onClick={({ currentTarget }) => {
                // The section stands first in the panel once there are slots.
                currentTarget.closest('.side')?.scrollTo(0, 0);
                store.change((t) => withSlots(t, n));
                setStage({ slot: 0, part: null, layer: null });
              }}
            >
              {n} photos
            </Button>
          ))}
        </div>
      </Section>
    );
  return (
    <Section title="Slots" group="shape" word="slot" value={slotsWords(template)} startOpen>
      <SlotList slots={slots} slot={slot} byName={fill.by === 'name'} onSlots={setSlots} />
      <ChoiceField label="Filled by" value={fill.by} options={FILLED} onChange={(by) => setFill({ by })} />
      {fill.by === 'data' && <FillFields fill={fill} onFill={setFill} />}
      {fill.by === 'name' && <p className="muted small-text">What stands in the braces puts photos together.</p>}
      <SelectField
        label="If missing"
        value={fill.missing}
        onChange={(missing) => setFill({ missing: missing as Template['fill']['missing'] })}
      >
        {optionsOf(MISSING)}
      </SelectField>
      <Arrange template={template} store={store} />
      <Button variant="quiet" onClick={() => store.change((t) => ({ ...withSlotInHand(t, slot), slots: [] }))}>
        Back to one photo
      </Button>
    </Section>
  );
}
