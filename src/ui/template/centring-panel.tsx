'use client';
import type { Template } from '@/core/template';
import { ChoiceField } from '../shared/choice-field';
import { NumberField } from '../shared/number-field';
import { Section } from '../shared/section';
import { optionsOf, SelectField } from '../shared/select-field';
import { WhatIs } from '../shared/what-is';
import type { TemplateStore } from './store';

type Centring = Template['centring'];
type Limits = Template['limits'];
type PanelProps = { readonly template: Template; readonly store: TemplateStore };

const RULES = { auto: 'auto', middle: 'middle', subject: 'subject', face: 'face', point: 'point' } as const;
const ABOUT: Readonly<Record<Centring['rule'], string>> = {
  auto: 'What suits each photo: a clear face, else what it is of, else its middle.',
  middle: 'The middle of each photo lies on the spot.',
  subject: 'What each photo is of is found, and its centre lies on the spot.',
  face: 'The eyes of the clearest face lie on the spot; its height is the face’s.',
  point: 'The point that you set on the easel lies on the spot.',
};
const GAPS = { enlarge: 'enlarge', shift: 'shift', extend: 'extend', leave: 'leave' } as const;
const ABOUT_GAPS: Readonly<Record<Centring['gap'], string>> = {
  enlarge: 'Size gives way: the photo is enlarged about the spot until it covers the shape.',
  shift: 'The spot gives way: the photo is moved, and enlarged only as far as it must be.',
  extend: 'Nothing gives way: the photo’s ground is continued beyond its rim.',
  leave: 'Cover gives way: the gap stays and is reported.',
};
const MEASURES: Readonly<Record<Centring['measure'], string>> = {
  longest: 'its longest side',
  height: 'its height',
  width: 'its width',
  area: 'its area',
};
/** What of a subject is centred: the body is it without handles and straps. */
const MIDDLES = { box: 'box', area: 'area', body: 'body' } as const;
const percent = (share: number) => Math.round(share * 1000) / 10;

/** A starting point that suits a rule: subjects with some room around, eyes above the middle. */
export const FRESH: Readonly<Record<Centring['rule'], Partial<Centring>>> = {
  auto: { at: [0.5, 0.5], size: 'batch', measure: 'longest', straighten: 'none' },
  middle: { at: [0.5, 0.5], size: null, measure: 'longest', straighten: 'none' },
  subject: { at: [0.5, 0.5], size: 0.62, measure: 'longest' },
  face: { at: [0.5, 0.42], size: 0.5, measure: 'height', straighten: 'eyes' },
  point: { at: [0.5, 0.5], size: null },
};

/** Eyes on the line between the upper two thirds (common practice for portraits). */
const THIRD = 1 / 3;

function LimitFields({ template, store }: PanelProps) {
  const { limits } = template;
  const set = (fields: Partial<Limits>) => store.change((t) => ({ ...t, limits: { ...t.limits, ...fields } }));
  const share = (
    label: string,
    key: 'clearance' | 'offSpot' | 'offSize' | 'confidence' | 'apart' | 'sharpness' | 'brightness',
  ) => (
    <NumberField
      label={label}
      value={percent(limits[key])}
      min={key === 'clearance' ? -100 : 0}
      max={100}
      step={0.5}
      unit="%"
      onChange={(v) => set({ [key]: v / 100 })}
    />
  );
  return (
    <Section title="Limits" group="limits" value={`off spot ${percent(limits.offSpot)} %`}>
      {share('Off spot', 'offSpot')}
      {share('Off size', 'offSize')}
      {share('Clearance', 'clearance')}
      {share('Confidence', 'confidence')}
      {share('Looks apart', 'apart')}
      {share('Sharpness', 'sharpness')}
      {share('Brightness', 'brightness')}
      <NumberField
        label="Doubles"
        value={limits.twins}
        min={0}
        max={32}
        unit="bits"
        onChange={(v) => set({ twins: Math.round(v) })}
      />
      <NumberField
        label="Contrast"
        value={limits.contrast}
        min={1}
        max={21}
        step={0.5}
        unit=": 1"
        onChange={(contrast) => set({ contrast })}
      />
      <NumberField
        label="Enlarge to"
        value={template.centring.maxEnlarge}
        min={0.1}
        max={100}
        step={0.05}
        unit="×"
        onChange={(maxEnlarge) => store.change((t) => ({ ...t, centring: { ...t.centring, maxEnlarge } }))}
      />
      <p className="muted small-text mb-0">
        Photos beyond a limit are marked on the wall <WhatIs word="wall" /> and listed under Check.
      </p>
    </Section>
  );
}

/** The centring rule: what of a photo lies where in the shape, how large, and what gives way where that leaves a gap. */
export function CentringPanel({ template, store }: PanelProps) {
  const { centring } = template;
  const set = (fields: Partial<Centring>) => store.change((t) => ({ ...t, centring: { ...t.centring, ...fields } }));
  const { size } = centring;
  const [across, down] = centring.at;
  const wanted = (label: string, value: number) => ({
    label,
    value: percent(value),
    min: 1,
    max: 1000,
    unit: '%',
    slider: [10, 120] as const,
    onDrag: store.drag,
  });
  return (
    <>
      <div className="side-block">
        <ChoiceField
          label="Centre"
          bare
          value={centring.rule}
          options={RULES}
          onChange={(rule) => set({ rule, ...FRESH[rule] })}
        />
        <p className="muted small-text mt-2 mb-2">
          {ABOUT[centring.rule]} <WhatIs word="spot" />
        </p>
        {(centring.rule === 'face' || centring.rule === 'auto') && (
          <>
            <ChoiceField
              label="Several faces"
              value={centring.faces}
              options={{ clearest: 'clearest', group: 'as a group' }}
              onChange={(faces) => set({ faces })}
            />
            <ChoiceField
              label="Spot"
              value={Math.abs(down - THIRD) < 0.001 ? 'third' : 'own'}
              options={{ own: 'as below', third: 'upper third' }}
              onChange={(where) => set({ at: [across, where === 'third' ? THIRD : FRESH[centring.rule].at![1]] })}
            />
          </>
        )}
        {(centring.rule === 'subject' || centring.rule === 'auto') && (
          <ChoiceField
            label="By its"
            value={centring.middle}
            options={MIDDLES}
            onChange={(middle) => set({ middle })}
          />
        )}
        <NumberField
          label="Across"
          value={percent(across)}
          min={0}
          max={100}
          unit="%"
          slider={[0, 100]}
          onChange={(v) => set({ at: [v / 100, down] })}
          onDrag={store.drag}
        />
        <NumberField
          label="Down"
          value={percent(down)}
          min={0}
          max={100}
          unit="%"
          slider={[0, 100]}
          onChange={(v) => set({ at: [across, v / 100] })}
          onDrag={store.drag}
        />
        <ChoiceField
          label="Spot from"
          value={centring.centre}
          options={{ box: 'box', area: 'area', visual: 'visual' }}
          onChange={(centre) => set({ centre })}
        />
        <ChoiceField
          label="Size"
          value={size === null ? 'cover' : size === 'batch' ? 'batch' : 'set'}
          options={{ cover: 'just cover', batch: 'alike', set: 'set' }}
          onChange={(v) => set({ size: v === 'cover' ? null : v === 'batch' ? 'batch' : 0.62 })}
        />
        {size !== null && (
          <>
            {typeof size === 'number' && (
              <NumberField {...wanted('Of shape', size)} onChange={(v) => set({ size: v / 100 })} />
            )}
            {typeof size === 'object' && size.face !== null && (
              <NumberField
                {...wanted('Faces', size.face)}
                onChange={(v) => set({ size: { ...size, face: v / 100 } })}
              />
            )}
            {typeof size === 'object' && size.subject !== null && (
              <NumberField
                {...wanted('Subjects', size.subject)}
                onChange={(v) => set({ size: { ...size, subject: v / 100 } })}
              />
            )}
            <SelectField
              label="By"
              value={centring.measure}
              onChange={(measure) => set({ measure: measure as Centring['measure'] })}
            >
              {optionsOf(MEASURES)}
            </SelectField>
          </>
        )}
      </div>
      <div className="side-block">
        <span className="label muted">
          Where the photo would not reach <WhatIs word="gap" />
        </span>
        <ChoiceField
          label="Where the photo would not reach"
          bare
          value={centring.gap}
          options={GAPS}
          onChange={(gap) => set({ gap })}
        />
        <p className="muted small-text mt-2 mb-2">{ABOUT_GAPS[centring.gap]}</p>
        {centring.gap === 'extend' && (
          <ChoiceField
            label="With"
            value={centring.extend}
            options={{ ground: 'ground', mirror: 'mirror', smear: 'smear' }}
            onChange={(extend) => set({ extend })}
          />
        )}
      </div>
      <div className="side-block">
        <ChoiceField
          label="Level"
          value={centring.straighten}
          options={{ none: 'as it is', eyes: 'eyes level' }}
          onChange={(straighten) => set({ straighten })}
        />
        <NumberField
          label="Turned"
          value={centring.angle}
          min={-360}
          max={360}
          step={0.5}
          unit="°"
          slider={[-45, 45]}
          onChange={(angle) => set({ angle })}
          onDrag={store.drag}
        />
        <ChoiceField
          label="Mirrored"
          value={centring.mirror ? 'yes' : 'no'}
          options={{ no: 'no', yes: 'left to right' }}
          onChange={(v) => set({ mirror: v === 'yes' })}
        />
      </div>
      <LimitFields template={template} store={store} />
    </>
  );
}
