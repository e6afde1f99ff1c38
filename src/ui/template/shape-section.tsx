'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { combinedOf, completeShape, contoursOf, pathData, SHAPES, type CatalogueShape, type Shape } from '@/core/shape';
import { clipPath, writeSvg } from '@/core/svg';
import { hasSlots, pixelsPerUnit, templateOutline, type Template } from '@/core/template';
import { useActions } from '../keys/use-keys';
import { ask } from '../shared/ask';
import { saveFile } from '../shared/save-file';
import { CopyButton } from '../shared/copy-button';
import { ChoiceField } from '../shared/choice-field';
import { Section } from '../shared/section';
import { BoxControls } from '../shapes/box-controls';
import { KindControls } from '../shapes/kind-controls';
import { KeepDialog } from '../shapes/keep-dialog';
import { LettersField } from '../shapes/letters-field';
import { ONCE, PartList } from '../shapes/part-list';
import { ShapeMeasures } from '../shapes/shape-measures';
import { ShapePicker } from '../shapes/shape-picker';
import { ShapePicture } from '../shapes/shape-picture';
import { setStage } from '../stage/stage-state';
import type { TemplateStore } from './store';
import { shapeName, shapeWords } from './words';

type ShapeSectionProps = {
  readonly template: Template;
  readonly store: TemplateStore;
  /** True where only the shape itself is kept: rounding belongs to the template. */
  readonly shapeOnly?: boolean;
};

/** Saves the outline as an SVG file of the template's exact size. */
const takeOut = (template: Template) =>
  saveFile(`${template.name}.svg`, writeSvg(templateOutline(template), template.frame), 'image/svg+xml');

function TakeOut({ template }: { template: Template }) {
  const { frame } = template;
  const css = () => clipPath(templateOutline(template), pixelsPerUnit(frame.unit, frame.ppi));
  return (
    <div className="d-flex gap-1 flex-wrap mt-1">
      <Button variant="quiet" onClick={() => takeOut(template)}>
        Save as SVG
      </Button>
      <CopyButton label="Copy CSS clip-path" variant="quiet" text={css} />
    </div>
  );
}

/** One way: the numbers of the shape are gone afterwards, and only undo brings them back. */
async function turnIntoPoints({ shape, frame }: Template, setShape: (shape: Shape) => void): Promise<void> {
  const sure = await ask({
    title: `Turn “${shapeName(shape)}” into points?`,
    words: 'Its points can then be moved freely, but it has no numbers any more. Only undo brings them back.',
    action: 'Turn into points',
  });
  if (!sure) return;
  setShape(completeShape({ kind: 'path', d: pathData(contoursOf(shape)), fillRule: 'nonzero' }, frame));
  setStage({ view: 'stage', mode: 'points', part: null });
}

/** The shape: which one, its parameters, size and place, its rounding; or the parts it is made of. */
export function ShapeSection({ template, store, shapeOnly = false }: ShapeSectionProps) {
  const { shape, frame } = template;
  const [picking, setPicking] = useState(false);
  const [keeping, setKeeping] = useState(false);
  const setShape = (next: Shape) => store.change((t) => ({ ...t, shape: next }));
  const draw = () => setStage({ view: 'stage', mode: 'draw', part: null });
  useActions('page', { pickShape: () => setPicking(true), drawShape: draw });
  const change = (fields: object) => store.change((t) => ({ ...t, shape: { ...t.shape, ...fields } }));
  return (
    <Section title="Shape" group="shape" value={shapeWords(template)} startOpen>
      <button type="button" className="shape-choice" onClick={() => setPicking(true)}>
        <ShapePicture shape={shape} size={36} />
        <span>
          <strong>{shapeName(shape)}</strong>
          <br />
          <span className="muted small-text">Choose another…</span>
        </span>
      </button>
      {!shapeOnly && !hasSlots(template) && (
        <ChoiceField
          label="Photo"
          value={template.mode}
          options={{ cutout: 'in the shape', window: 'around it' }}
          onChange={(mode) => store.change((t) => ({ ...t, mode }))}
        />
      )}
      {shape.kind in SHAPES && (
        <KindControls shape={shape as CatalogueShape} unit={frame.unit} onChange={change} onDrag={store.drag} />
      )}
      {shape.kind === 'text' && (
        <LettersField
          key={`${shape.text} ${shape.font}`}
          text={shape.text}
          font={shape.font}
          room={shape.box}
          action="Set"
          onMade={setShape}
        />
      )}
      <BoxControls
        shape={shape}
        frame={frame}
        onChange={(box) => change({ box: { ...shape.box, ...box } })}
        onDrag={store.drag}
      />
      {shape.kind === 'combined' ? (
        <PartList
          shape={shape}
          frame={frame}
          onDrag={store.drag}
          onChange={(parts) => {
            const whole = combinedOf(parts, shape);
            if (whole) setShape(whole);
          }}
        />
      ) : (
        <Button
          variant="quiet"
          onClick={() =>
            setShape({ kind: 'combined', box: shape.box, parts: [{ op: 'add', off: false, repeat: ONCE, shape }] })
          }
        >
          Combine with others
        </Button>
      )}
      {shape.kind === 'path' ? (
        <Button variant="quiet" onClick={() => setStage({ view: 'stage', mode: 'points', part: null })}>
          Edit its points
        </Button>
      ) : (
        <Button variant="quiet" onClick={() => void turnIntoPoints(template, setShape)}>
          Turn into points…
        </Button>
      )}
      <Button variant="quiet" onClick={draw}>
        Draw a shape
      </Button>
      {!shapeOnly && (
        <Button variant="quiet" onClick={() => setKeeping(true)}>
          Keep in the library…
        </Button>
      )}
      {keeping && <KeepDialog shape={shape} suggestion={shapeName(shape)} onHide={() => setKeeping(false)} />}
      <ShapeMeasures template={template} />
      <TakeOut template={template} />
      {picking && (
        <ShapePicker
          title="Shapes"
          room={shape.box}
          onHide={() => setPicking(false)}
          onPick={(picked) => {
            setPicking(false);
            setStage({ part: null, mode: 'shape' });
            setShape(picked);
          }}
        />
      )}
    </Section>
  );
}
