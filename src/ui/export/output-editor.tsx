'use client';
import { useId, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { pictureOf, type Output, type Template } from '@/core/template';
import { ChoiceField } from '../shared/choice-field';
import { ColourField } from '../paint/colour-field';
import { NumberField } from '../shared/number-field';
import { asFormat, FORMATS, type DrawnFormat } from './outputs';
import { OutputSizeFields } from './output-size-fields';

function TextField({ label, value, onChange }: { label: string; value: string; onChange: (text: string) => void }) {
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const commit = () => {
    const text = typed?.trim();
    setTyped(null);
    if (text && !/[/\\]/.test(text) && text !== value) onChange(text);
  };
  return (
    <div className="field">
      <label htmlFor={id}>{label}</label>
      <input
        id={id}
        className="form-control"
        value={typed ?? value}
        maxLength={60}
        spellCheck={false}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => event.key === 'Enter' && commit()}
      />
    </div>
  );
}

/** A limit to begin with: many shops ask for about as much. */
const USUAL_KB = 300;

type OutputEditorProps = {
  readonly template: Template;
  readonly output: Output;
  readonly onChange: (fields: Partial<Output>) => void;
  readonly onRemove: (() => void) | null;
};

/** One output: size, format and file names. */
export function OutputEditor({ template, output, onChange, onRemove }: OutputEditorProps) {
  const id = useId();
  return (
    <div role="group" aria-label={`Output ${output.name}`}>
      <TextField label="Name" value={output.name} onChange={(name) => onChange({ name })} />
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
      <TextField label="File names" value={output.file} onChange={(file) => onChange({ file })} />
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
