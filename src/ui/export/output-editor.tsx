'use client';
import { useId } from 'react';
import { Button, Form } from 'react-bootstrap';
import { pictureOf, type Output, type Template } from '@/core/template';
import { ChoiceField } from '../shared/choice-field';
import { ColourField } from '../paint/colour-field';
import { NumberField } from '../shared/number-field';
import { PatternField } from '../shared/pattern-field';
import { NameField } from '../template/name-field';
import { asFormat, FORMATS, type DrawnFormat } from './outputs';
import { OutputSizeFields } from './output-size-fields';

/** A limit to begin with: many shops ask for about as much. */
const USUAL_KB = 300;

type OutputEditorProps = {
  readonly template: Template;
  readonly output: Output;
  readonly onChange: (fields: Partial<Output>) => void;
  /** All that is typed at one go is one step to undo. */
  readonly onDrag: (active: boolean) => void;
  readonly onRemove: (() => void) | null;
  /** What the first file of it is called. */
  readonly example: string | null;
};

/** One output: size, format and file names. */
export function OutputEditor({ template, output, onChange, onDrag, onRemove, example }: OutputEditorProps) {
  const id = useId();
  return (
    <div role="group" aria-label={`Output ${output.name}`}>
      <NameField
        label="Name"
        value={output.name}
        most={60}
        // It is part of files' names.
        onChange={(name) => onChange({ name: name.replace(/[/\\]/g, '-') })}
      />
      <ChoiceField
        label="Format"
        value={output.format as DrawnFormat}
        options={FORMATS}
        onChange={(format) => onChange(asFormat(format, output))}
      />
      <OutputSizeFields picture={pictureOf(template)} output={output} onChange={onChange} />
      {output.format !== 'png' && (
        <NumberField
          label="Quality"
          value={output.quality}
          min={1}
          max={100}
          slider={[1, 100]}
          onChange={(quality) => onChange({ quality: Math.round(quality) })}
        />
      )}
      <ChoiceField
        label="Bytes"
        value={output.maxKB === null ? 'any' : 'most'}
        options={{ any: 'no limit', most: 'at most' }}
        onChange={(which) => onChange({ maxKB: which === 'any' ? null : USUAL_KB })}
      />
      {output.maxKB !== null && (
        <NumberField
          label="At most"
          value={output.maxKB}
          min={1}
          max={100_000}
          step={10}
          unit="KB"
          onChange={(most) => onChange({ maxKB: Math.round(most) })}
        />
      )}
      {output.maxKB !== null && (
        <p className="muted small-text">
          {output.format === 'png'
            ? 'PNG has no quality to lower: files that are larger are told.'
            : 'Each file gets the highest quality that stays within it.'}
        </p>
      )}
      {output.format === 'jpeg' && (
        <>
          <ColourField label="Matte" value={output.matte ?? '#ffffff'} onChange={(matte) => onChange({ matte })} />
          {template.backdrop === null && (
            <p className="small-text muted mb-1">
              <span className="finding-mark" aria-hidden>
                ▲{' '}
              </span>
              JPEG has no transparency: the matte shows around the cutout.
            </p>
          )}
        </>
      )}
      <PatternField
        label="File names"
        value={output.file}
        most={200}
        emptiable={false}
        onChange={(file) => onChange({ file })}
        onDrag={onDrag}
      />
      {example && (
        <div className="field">
          <span className="label">Makes</span>
          <span className="text-break">{example}</span>
        </div>
      )}
      <div className="d-flex justify-content-between align-items-center">
        <Form.Check
          id={id}
          type="checkbox"
          label="Trim empty rim"
          checked={output.trim}
          onChange={(event) => onChange({ trim: event.target.checked })}
        />
        {onRemove && (
          <Button variant="quiet" onClick={onRemove}>
            Remove<span className="visually-hidden"> output {output.name}</span>
          </Button>
        )}
      </div>
    </div>
  );
}
