'use client';
import { useState } from 'react';
import { completeShape, contoursOf, pathData, SHAPES, type CatalogueShape, type Shape } from '@/core/shape';
import { roundedLengthIn, type Template } from '@/core/template';
import { BoxControls } from '../shapes/box-controls';
import { KindControls } from '../shapes/kind-controls';
import { ShapePicker } from '../shapes/shape-picker';
import { ShapePicture } from '../shapes/shape-picture';
import { ChoiceField } from '../shared/choice-field';
import { shapeName } from '../template/words';

type MaskFieldProps = {
  readonly label: string;
  readonly shape: Shape | null;
  readonly frame: Template['frame'];
  readonly onChange: (shape: Shape | null) => void;
  readonly onDrag: (active: boolean) => void;
};

/** The middle of the frame, a third of its shorter side large. */
function freshRoom({ width, height, unit }: Template['frame']) {
  const side = roundedLengthIn(unit)(Math.min(width, height) / 3);
  return { cx: width / 2, cy: height / 2, width: side, height: side, angle: 0, mirror: false };
}

/** A combined shape as the one outline that it is. */
const joined = (shape: Shape, frame: Template['frame']): Shape =>
  completeShape({ kind: 'path', d: pathData(contoursOf(shape)), fillRule: 'nonzero' }, frame);

/** The shape that a layer shows in, if it has one: an arrow, a bubble, a badge. */
export function MaskField({ label, shape, frame, onChange, onDrag }: MaskFieldProps) {
  const [picking, setPicking] = useState(false);
  const change = (fields: object) => onChange({ ...shape!, ...fields });
  return (
    <>
      <ChoiceField
        label={label}
        value={shape ? 'shape' : 'none'}
        options={{ none: 'no shape', shape: 'a shape' }}
        onChange={(v) => (v === 'none' ? onChange(null) : setPicking(true))}
      />
      {shape && (
        <>
          <button type="button" className="shape-choice" onClick={() => setPicking(true)}>
            <ShapePicture shape={shape} size={36} />
            <span>
              <strong>{shapeName(shape)}</strong>
              <br />
              <span className="muted small-text">Take another shape…</span>
            </span>
          </button>
          {shape.kind in SHAPES && (
            <KindControls shape={shape as CatalogueShape} unit={frame.unit} onChange={change} onDrag={onDrag} />
          )}
          <BoxControls
            shape={shape}
            frame={frame}
            onChange={(box) => change({ box: { ...shape.box, ...box } })}
            onDrag={onDrag}
          />
        </>
      )}
      {picking && (
        <ShapePicker
          title="A shape for this layer"
          room={shape?.box ?? freshRoom(frame)}
          onHide={() => setPicking(false)}
          onPick={(picked) => {
            setPicking(false);
            // Several outlines as one: a layer takes no combined shape.
            onChange(picked.kind === 'combined' ? joined(picked, frame) : picked);
          }}
        />
      )}
    </>
  );
}
