'use client';
import { convertUnit, frameWidthInPixels, outputHeight, resizeFrame, type Template } from '@/core/template';
import { ChoiceField } from '../shared/choice-field';
import { NumberField } from '../shared/number-field';
import { Section } from '../shared/section';
import type { TemplateStore } from './store';
import { frameWords } from './words';

const UNITS = { px: 'px', mm: 'mm', cm: 'cm', in: 'in', pt: 'pt' } as const;

/** Size of the frame; everything in it keeps its proportions. */
export function FrameSection({ template, store }: { template: Template; store: TemplateStore }) {
  const { frame } = template;
  const side = { min: 0.1, max: 16_000, unit: frame.unit };
  const width = frameWidthInPixels(frame);
  return (
    <Section title="Frame" value={frameWords(template)}>
      <NumberField
        label="Width"
        value={frame.width}
        onChange={(v) => store.change((t) => resizeFrame(t, v, t.frame.height))}
        {...side}
      />
      <NumberField
        label="Height"
        value={frame.height}
        onChange={(v) => store.change((t) => resizeFrame(t, t.frame.width, v))}
        {...side}
      />
      <ChoiceField
        label="Unit"
        value={frame.unit}
        options={UNITS}
        onChange={(unit) => store.change((t) => convertUnit(t, unit))}
      />
      {frame.unit !== 'px' && (
        <NumberField
          label="Resolution"
          value={frame.ppi}
          min={1}
          max={2400}
          unit="ppi"
          onChange={(ppi) => store.change((t) => ({ ...t, frame: { ...t.frame, ppi } }))}
        />
      )}
      <p className="muted small-text mb-0 mt-1">
        {width} × {outputHeight(frame, width)} pixels. The outputs have sizes of their own.
      </p>
    </Section>
  );
}
