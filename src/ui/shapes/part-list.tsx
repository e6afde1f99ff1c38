'use client';
import { ArrowDown, ArrowUp, Eye, EyeOff, X } from 'lucide-react';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { SHAPES, type CombinedShape, type Shape, type ShapePart } from '@/core/shape';
import type { Template } from '@/core/template';
import { ChoiceField } from '../shared/choice-field';
import { NumberField } from '../shared/number-field';
import { setStage, useStage } from '../stage/stage-state';
import { BoxControls } from './box-controls';
import { KindControls } from './kind-controls';
import { ShapePicker } from './shape-picker';
import { ShapePicture } from './shape-picture';

const OPS = { add: 'add', cut: 'cut out', overlap: 'overlap' } as const;
export const ONCE: ShapePart['repeat'] = { count: 1, angle: 0, scale: 1, x: 0, y: 0, about: null };

const nameOf = ({ kind }: Shape) =>
  kind in SHAPES
    ? SHAPES[kind as keyof typeof SHAPES].label
    : kind === 'text'
      ? 'Letters'
      : kind === 'combined'
        ? 'Combined'
        : 'Drawn outline';

type PartListProps = {
  readonly shape: CombinedShape;
  readonly frame: Template['frame'];
  /** New parts; the whole's box follows from them. */
  readonly onChange: (parts: ShapePart[]) => void;
  readonly onDrag: (active: boolean) => void;
};

/** The parts of a combined shape, worked off from top to bottom. Each stays as it is: it can be changed, moved, turned off. */
export function PartList({ shape: { parts, box }, frame, onChange, onDrag }: PartListProps) {
  const open = useStage((state) => state.part);
  const setOpen = (part: number | null) => setStage({ part, mode: 'shape' });
  const [adding, setAdding] = useState(false);
  const change = (i: number, fields: Partial<ShapePart>) =>
    onChange(parts.map((part, k) => (k === i ? { ...part, ...fields } : part)));
  const changeShape = (i: number, fields: object) => change(i, { shape: { ...parts[i]!.shape, ...fields } });
  const copy = (i: number) => {
    const part = parts[i]!;
    onChange([...parts.slice(0, i + 1), part, ...parts.slice(i + 1)]);
    setOpen(i + 1);
  };
  const move = (i: number, by: number) => {
    const next = [...parts];
    next.splice(i + by, 0, ...next.splice(i, 1));
    setOpen(null);
    onChange(next);
  };
  return (
    <>
      <ol className="part-list" aria-label="Parts">
        {parts.map((part, i) => {
          const name = nameOf(part.shape);
          const { repeat } = part;
          const setRepeat = (fields: Partial<ShapePart['repeat']>) => change(i, { repeat: { ...repeat, ...fields } });
          return (
            <li key={i} className={part.off ? 'is-off' : undefined}>
              <div className="d-flex align-items-center gap-2">
                <button
                  type="button"
                  className="part-head"
                  aria-expanded={open === i}
                  onClick={() => setOpen(open === i ? null : i)}
                >
                  <ShapePicture shape={part.shape} size={22} />
                  <span className="name-line">{name}</span>
                  <span className="muted small-text">{part.off ? 'off' : OPS[part.op]}</span>
                </button>
                <Button
                  variant="quiet"
                  aria-label={part.off ? `Turn ${name} on` : `Turn ${name} off`}
                  onClick={() => change(i, { off: !part.off })}
                >
                  {part.off ? <EyeOff size={15} aria-hidden /> : <Eye size={15} aria-hidden />}
                </Button>
              </div>
              {open === i && (
                <div className="part-body" role="group" aria-label={`Part ${i + 1}, ${name}`}>
                  <ChoiceField label="Does" value={part.op} options={OPS} onChange={(op) => change(i, { op })} />
                  {part.shape.kind in SHAPES && (
                    <KindControls
                      shape={part.shape as Parameters<typeof KindControls>[0]['shape']}
                      unit={frame.unit}
                      onChange={(fields) => changeShape(i, fields)}
                      onDrag={onDrag}
                    />
                  )}
                  <BoxControls
                    shape={part.shape}
                    frame={frame}
                    onChange={(fields) => changeShape(i, { box: { ...part.shape.box, ...fields } })}
                    onDrag={onDrag}
                  />
                  <NumberField
                    label="Copies"
                    value={repeat.count}
                    min={1}
                    max={120}
                    slider={[1, 24]}
                    onChange={(v) => setRepeat({ count: Math.round(v), about: repeat.about ?? [box.cx, box.cy] })}
                    onDrag={onDrag}
                  />
                  {repeat.count > 1 && (
                    <>
                      <NumberField
                        label="Turn each"
                        value={repeat.angle}
                        min={-360}
                        max={360}
                        unit="°"
                        slider={[-180, 180]}
                        onChange={(angle) => setRepeat({ angle })}
                        onDrag={onDrag}
                      />
                      <NumberField
                        label="Scale each"
                        value={repeat.scale * 100}
                        min={10}
                        max={1000}
                        unit="%"
                        slider={[50, 150]}
                        onChange={(v) => setRepeat({ scale: v / 100 })}
                        onDrag={onDrag}
                      />
                      <NumberField
                        label="Move each"
                        value={repeat.x}
                        min={-100_000}
                        max={100_000}
                        unit={frame.unit}
                        onChange={(x) => setRepeat({ x })}
                        onDrag={onDrag}
                      />
                    </>
                  )}
                  <div className="d-flex gap-1 mt-1">
                    <Button variant="quiet" disabled={i === 0} onClick={() => move(i, -1)}>
                      <ArrowUp size={14} aria-hidden /> Up
                    </Button>
                    <Button variant="quiet" disabled={i === parts.length - 1} onClick={() => move(i, 1)}>
                      <ArrowDown size={14} aria-hidden /> Down
                    </Button>
                    <Button variant="quiet" onClick={() => copy(i)}>
                      Copy
                    </Button>
                    <Button
                      variant="quiet"
                      disabled={parts.length === 1}
                      onClick={() => {
                        setOpen(null);
                        onChange(parts.filter((_, k) => k !== i));
                      }}
                    >
                      <X size={14} aria-hidden /> Remove
                    </Button>
                  </div>
                </div>
              )}
            </li>
          );
        })}
      </ol>
      <Button variant="quiet" onClick={() => setAdding(true)}>
        Add a part…
      </Button>
      {adding && (
        <ShapePicker
          title="Add a part"
          room={{ ...box, width: box.width / 2, height: box.height / 2 }}
          onHide={() => setAdding(false)}
          onPick={(picked) => {
            setAdding(false);
            setOpen(parts.length);
            onChange([...parts, { op: 'add', off: false, repeat: ONCE, shape: picked }]);
          }}
        />
      )}
    </>
  );
}
