'use client';
import { Button } from 'react-bootstrap';
import { hasQuality } from '@/core/export';
import { pictureOf, type Output, type Template } from '@/core/template';
import type { Trial } from '@/server/services';
import { ChoiceField } from '../shared/choice-field';
import { NumberField } from '../shared/number-field';
import { PatternField } from '../shared/pattern-field';
import { NameField } from '../template/name-field';
import { FormatFields } from './format-fields';
import { OutputSizeFields } from './output-size-fields';
import { TrialField } from './trial-field';
import { TrimFields } from './trim-fields';

/** A limit to begin with: many shops ask for about as much. */
const USUAL_KB = 300;

const CONTENTS = { cutout: 'cutouts', framing: 'framing alone' } as const;

/** Names that are about photos, and those of what has none. */
const NAMES = { cutout: '{photo}-{output}', framing: '{template}-{output}' } as const;

/** The usual name goes with what is shown; one of somebody's own stays. */
function renamed({ content, file }: Output, next: Output['content']): Partial<Output> {
  return file === NAMES[content] ? { file: NAMES[next] } : {};
}

type OutputEditorProps = {
  readonly template: Template;
  readonly output: Output;
  readonly onChange: (fields: Partial<Output>) => void;
  /** All that is typed at one go is one step to undo. */
  readonly onDrag: (active: boolean) => void;
  readonly onRemove: (() => void) | null;
  /** Adds the same for denser screens; null where they are there. */
  readonly onDenser: (() => void) | null;
  /** Makes one file of it. */
  readonly onTry: () => Promise<Trial>;
  /** Of the picture of what its format loses. */
  readonly lossAddress: string;
  /** What the first file of it is called. */
  readonly example: string | null;
};

/** One output: size, format and file names. */
export function OutputEditor({
  template,
  output,
  onChange,
  onDrag,
  onRemove,
  onDenser,
  onTry,
  lossAddress,
  example,
}: OutputEditorProps) {
  const picture = pictureOf(template);
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
        label="Shows"
        value={output.content}
        options={CONTENTS}
        onChange={(content) => onChange({ content, ...renamed(output, content) })}
      />
      {output.content === 'framing' && (
        <p className="muted small-text">
          One file for the whole delivery: all that lies round the photos, and none of them.
        </p>
      )}
      <FormatFields output={output} backdrop={template.backdrop} onChange={onChange} />
      <OutputSizeFields picture={picture} output={output} onChange={onChange} />
      {output.content === 'cutout' && (
        <ChoiceField
          label="Small photos"
          value={output.enlarge ? 'enlarge' : 'smaller'}
          options={{ enlarge: 'enlarged', smaller: 'smaller files' }}
          onChange={(which) => onChange({ enlarge: which === 'enlarge' })}
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
          {hasQuality(output)
            ? 'Each file gets the highest quality that stays within it.'
            : 'There is no quality to lower: files that are larger are told.'}
        </p>
      )}
      <TrimFields
        trim={output.trim}
        pictureWidth={picture.width}
        unit={picture.unit}
        onChange={(trim) => onChange({ trim })}
      />
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
          <span className="label">First file</span>
          <span className="text-break">{example}</span>
        </div>
      )}
      <TrialField output={output} onTry={onTry} lossAddress={lossAddress} />
      {onDenser && (
        <Button variant="quiet" onClick={onDenser}>
          Add at 2× and 3×
        </Button>
      )}
      {onRemove && (
        <Button variant="quiet" onClick={onRemove}>
          Remove<span className="visually-hidden"> output {output.name}</span>
        </Button>
      )}
    </div>
  );
}
