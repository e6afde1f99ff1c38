'use client';
import { hasLossless, hasQuality } from '@/core/export';
import { holdsProfile, type Output, type Template } from '@/core/template';
import { ColourField } from '../paint/colour-field';
import { ChoiceField } from '../shared/choice-field';
import { NumberField } from '../shared/number-field';
import { optionsOf, SelectField } from '../shared/select-field';
import { asFormat, FORMATS } from './outputs';
import { FindingMark } from '../shared/finding-mark';

type FormatFieldsProps = {
  readonly output: Output;
  readonly backdrop: Template['backdrop'];
  readonly onChange: (fields: Partial<Output>) => void;
};

const EFFORTS = { quick: 'quick', balanced: 'usual', smallest: 'small' } as const;

const PROFILES = { srgb: 'sRGB', none: 'sRGB, no profile', 'display-p3': 'Display P3' } as const;

/** What PNG and GIF may have at most. */
const COLOURS = [256, 16, 4, 2] as const;

/** What somebody should know of a format before they choose it. */
function remarkOf({ format, matte }: Output, isFilled: boolean): string | null {
  switch (format) {
    case 'jpeg':
      return isFilled ? null : 'JPEG has no transparency: the matte shows around the cutout.';
    case 'gif':
      return `GIF knows clear and opaque alone: ${matte === null ? 'soft rims and shadows are cut at half' : 'soft rims and shadows lie on the matte'}.`;
    case 'avif':
      return isFilled ? null : 'Some browsers show the soft rims of AVIF harder than they are: WebP is exact.';
    case 'ora':
      return 'All layers in one file, for painting programs: ground, shadow, photo, borders, what is in front, captions.';
    default:
      return null;
  }
}

/** What an encoder does otherwise than usual. */
const encoderWords = (output: Output): string =>
  [
    `${EFFORTS[output.effort]} effort`,
    ...(output.format === 'jpeg' && output.progressive ? ['progressive'] : []),
    ...(holdsProfile(output) && output.profile !== 'srgb' ? [PROFILES[output.profile]] : []),
  ].join(', ');

/** What few people set: how the encoder goes about it. */
function EncoderFields({ output, onChange }: Omit<FormatFieldsProps, 'backdrop'>) {
  const { format } = output;
  return (
    <details>
      <summary className="muted small-text">Encoder: {encoderWords(output)}</summary>
      <ChoiceField label="Effort" value={output.effort} options={EFFORTS} onChange={(effort) => onChange({ effort })} />
      {format === 'jpeg' && (
        <ChoiceField
          label="Loads"
          value={output.progressive ? 'progressive' : 'baseline'}
          options={{ baseline: 'baseline', progressive: 'progressive' }}
          onChange={(which) => onChange({ progressive: which === 'progressive' })}
        />
      )}
      {holdsProfile(output) && (
        <SelectField
          label="Colour space"
          value={output.profile}
          onChange={(value) => onChange({ profile: value as Output['profile'] })}
        >
          {optionsOf(PROFILES)}
        </SelectField>
      )}
    </details>
  );
}

/** The format, and only what that format lets be chosen. */
export function FormatFields({ output, backdrop, onChange }: FormatFieldsProps) {
  const { format } = output;
  const remark = remarkOf(output, backdrop !== null);
  return (
    <>
      <SelectField
        label="Format"
        value={format}
        onChange={(value) => onChange(asFormat(value as Output['format'], output))}
      >
        {optionsOf(FORMATS)}
      </SelectField>
      {hasLossless(output) && (
        <ChoiceField
          label="Loss"
          value={output.lossless ? 'none' : 'some'}
          options={{ some: 'by quality', none: 'none' }}
          onChange={(which) => onChange({ lossless: which === 'none' })}
        />
      )}
      {hasQuality(output) && (
        <NumberField
          label="Quality"
          value={output.quality}
          min={1}
          max={100}
          slider={[1, 100]}
          onChange={(quality) => onChange({ quality: Math.round(quality) })}
        />
      )}
      {(format === 'png' || format === 'gif') && (
        <SelectField
          label="Colours"
          value={String(output.colours ?? '')}
          onChange={(value) => onChange({ colours: COLOURS.find((n) => String(n) === value) ?? null })}
        >
          <option value="">{format === 'png' ? 'all' : 'up to 256'}</option>
          {COLOURS.filter((n) => format === 'png' || n < 256).map((n) => (
            <option key={n} value={n}>
              {`at most ${n}`}
            </option>
          ))}
        </SelectField>
      )}
      {format === 'gif' && (
        <ChoiceField
          label="Soft rims"
          value={output.matte === null ? 'cut' : 'matte'}
          options={{ cut: 'cut', matte: 'on a matte' }}
          onChange={(which) => onChange({ matte: which === 'cut' ? null : '#ffffff' })}
        />
      )}
      {(format === 'jpeg' || (format === 'gif' && output.matte !== null)) && (
        <ColourField label="Matte" value={output.matte ?? '#ffffff'} onChange={(matte) => onChange({ matte })} />
      )}
      <EncoderFields output={output} onChange={onChange} />
      {remark && (
        <p className="small-text muted mb-1">
          {format !== 'ora' && <FindingMark />}
          {remark}
        </p>
      )}
    </>
  );
}
