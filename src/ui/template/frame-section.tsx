'use client';
import { useId, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import {
  fillFrame,
  frameIn,
  frameWidthInPixels,
  outputHeight,
  readLength,
  withFrame,
  type Frame,
  type Template,
} from '@/core/template';
import { ChoiceField } from '../shared/choice-field';
import { Section } from '../shared/section';
import { SelectField } from '../shared/select-field';
import { UnitBox } from '../shared/unit-box';
import { forgetSize, keepSize, READY_SIZES, sameFrame, sizeWords, useOwnSizes } from './frame-sizes';
import type { TemplateStore } from './store';
import { frameWords } from './words';

const UNITS = { px: 'px', mm: 'mm', cm: 'cm', in: 'in', pt: 'pt' } as const;

type Typed = { readonly width: string; readonly height: string; readonly ppi: string; readonly unit: Frame['unit'] };

const number = (v: number) => String(Math.round(v * 1e5) / 1e5);
const typedOf = ({ width, height, ppi, unit }: Frame): Typed => ({ width: number(width), height: number(height), ppi: number(ppi), unit }); // prettier-ignore

/** The frame that is meant; null where a number is missing or out of range. */
function frameOf({ width, height, ppi, unit }: Typed): Frame | null {
  const resolution = unit === 'px' ? 96 : Number(ppi.replace(',', '.'));
  if (!(resolution >= 1 && resolution <= 2400)) return null;
  const length = (text: string) => readLength(text, { value: 0, unit, ppi: resolution, whole: 0, signed: false });
  const [w, h] = [length(width), length(height)];
  const isSide = (v: number | null): v is number => v !== null && v >= 0.1 && v <= 16_000;
  return isSide(w) && isSide(h) ? { width: w, height: h, unit, ppi: resolution } : null;
}

type LineProps = {
  readonly label: string;
  readonly unit: string;
  readonly value: string;
  readonly onType: (text: string) => void;
};

function Line({ label, unit, value, onType }: LineProps) {
  const id = useId();
  return (
    <div className="field">
      <label htmlFor={id}>{label}</label>
      <div className="number alone">
        <UnitBox id={id} unit={unit} value={value} onChange={(event) => onType(event.target.value)} />
      </div>
    </div>
  );
}

/** Width, height, unit and resolution are one decision, taken together. */
function FrameForm({ frame, onSet }: { frame: Frame; onSet: (frame: Frame) => void }) {
  const before = typedOf(frame);
  const [typed, setTyped] = useState(before);
  const meant = frameOf(typed);
  const untouched = typed.width === before.width && typed.height === before.height;
  const changed = meant === null || !sameFrame(meant, frame);
  const width = meant && frameWidthInPixels(meant);
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        if (meant && changed) onSet(meant);
      }}
    >
      <Line
        label="Width"
        unit={typed.unit}
        value={typed.width}
        onType={(text) => setTyped({ ...typed, width: text })}
      />
      <Line
        label="Height"
        unit={typed.unit}
        value={typed.height}
        onType={(text) => setTyped({ ...typed, height: text })}
      />
      <ChoiceField
        label="Unit"
        value={typed.unit}
        options={UNITS}
        // Numbers that are not typed yet stay the same length; typed ones are meant as they are.
        onChange={(unit) =>
          setTyped(untouched ? { ...typedOf(frameIn(frame, unit)), ppi: typed.ppi } : { ...typed, unit })
        }
      />
      {typed.unit !== 'px' && (
        <Line label="Resolution" unit="ppi" value={typed.ppi} onType={(ppi) => setTyped({ ...typed, ppi })} />
      )}
      <div className="d-flex align-items-center gap-2 mt-1">
        <Button type="submit" variant={changed ? 'primary' : 'plain'} disabled={!meant || !changed}>
          Set the frame
        </Button>
        <span className="muted small-text" role={meant ? undefined : 'alert'}>
          {meant ? `${width} × ${outputHeight(meant, width!)} pixels` : '▲ sides of 0.1 to 16,000, 1 to 2,400 ppi'}
        </span>
      </div>
    </Form>
  );
}

function ReadySizes({ frame, onSet }: { frame: Frame; onSet: (frame: Frame) => void }) {
  const own = useOwnSizes();
  const all = [...READY_SIZES.map(({ frame: size }) => size), ...own];
  const at = all.findIndex((size) => sameFrame(size, frame));
  return (
    <>
      <SelectField label="Ready size" value={String(at)} onChange={(value) => onSet(all[Number(value)]!)}>
        {at < 0 && <option value={-1}>another: {sizeWords(frame)}</option>}
        {READY_SIZES.map(({ name, frame: size }, i) => (
          <option key={name} value={i}>
            {name} {sizeWords(size)}
          </option>
        ))}
        {own.length > 0 && (
          <optgroup label="Own sizes">
            {own.map((size, i) => (
              <option key={sizeWords(size)} value={READY_SIZES.length + i}>
                {sizeWords(size)}
              </option>
            ))}
          </optgroup>
        )}
      </SelectField>
      {at < 0 && (
        <Button variant="quiet" onClick={() => keepSize(frame)}>
          Keep this size
        </Button>
      )}
      {at >= READY_SIZES.length && (
        <Button variant="quiet" onClick={() => forgetSize(frame)}>
          Forget this size
        </Button>
      )}
    </>
  );
}

/** Size of the frame; everything in it keeps its share. */
export function FrameSection({ template, store }: { template: Template; store: TemplateStore }) {
  const { frame } = template;
  const set = (next: Frame) => store.change((t) => withFrame(t, next));
  return (
    <Section title="Frame" group="frame" word="frame" value={frameWords(template)}>
      <ReadySizes frame={frame} onSet={set} />
      <FrameForm key={sizeWords(frame)} frame={frame} onSet={set} />
      <Button variant="quiet" onClick={() => store.change(fillFrame)}>
        Let the shape fill the frame
      </Button>
    </Section>
  );
}
