'use client';
import {
  frameWidthInPixels,
  MAX_OUTPUT_WIDTH,
  outputHeight,
  widthFor,
  type Frame,
  type Output,
  type OutputSize,
} from '@/core/template';
import { NumberField } from '../shared/number-field';
import { optionsOf, SelectField } from '../shared/select-field';

const WAYS = {
  frame: 'as the frame',
  factor: 'times the frame',
  px: 'in pixels',
  height: 'by its height',
  longest: 'by its longer side',
  length: 'in millimetres',
} as const;
type Way = keyof typeof WAYS;

const PER_INCH = 25.4;
const PRINT = 300;

function wayOf(size: Output['size']): Way {
  if (size === null) return 'px';
  if (size === 'frame') return 'frame';
  return (['factor', 'height', 'longest'] as const).find((way) => way in size) ?? 'length';
}

const rounded = (v: number, digits: number) => Number(v.toFixed(digits));

/** The same width said in another way, as near as its own numbers come. */
function sizeAs(way: Way, width: number, picture: Frame): OutputSize | null {
  if (way === 'px') return null;
  if (way === 'frame') return 'frame';
  if (way === 'height') return { height: outputHeight(picture, width) };
  if (way === 'longest') return { longest: Math.max(width, outputHeight(picture, width)) };
  if (way === 'factor') return { factor: rounded(width / frameWidthInPixels(picture), 3) || 1 };
  return { width: rounded((width / PRINT) * PER_INCH, 2), unit: 'mm', ppi: PRINT };
}

type PixelsFieldProps = { readonly label: string; readonly value: number; readonly onChange: (pixels: number) => void };

const PixelsField = ({ label, value, onChange }: PixelsFieldProps) => (
  <NumberField
    label={label}
    value={value}
    min={1}
    max={MAX_OUTPUT_WIDTH}
    unit="px"
    onChange={(next) => onChange(Math.round(next))}
  />
);

type OutputSizeFieldsProps = {
  /** The whole picture: the frame with its mat. */
  readonly picture: Frame;
  readonly output: Output;
  readonly onChange: (fields: Pick<Output, 'width' | 'size'>) => void;
};

/** How large the output is: as the frame, a multiple of it, in pixels, or in print. */
export function OutputSizeFields({ picture, output: { size, width }, onChange }: OutputSizeFieldsProps) {
  const set = (next: OutputSize | null) => {
    const pixels = next ? widthFor(next, picture) : width;
    if (pixels <= MAX_OUTPUT_WIDTH) onChange({ size: next, width: pixels });
  };
  return (
    <>
      <SelectField label="Size" value={wayOf(size)} onChange={(value) => set(sizeAs(value as Way, width, picture))}>
        {optionsOf(WAYS)}
      </SelectField>
      {size === null && (
        <PixelsField label="Width" value={width} onChange={(next) => onChange({ size: null, width: next })} />
      )}
      {size !== null && size !== 'frame' && 'factor' in size && (
        <NumberField
          label="Factor"
          value={size.factor}
          min={0.01}
          max={MAX_OUTPUT_WIDTH / frameWidthInPixels(picture)}
          step={0.5}
          unit="×"
          onChange={(factor) => set({ factor })}
        />
      )}
      {size !== null && size !== 'frame' && 'height' in size && (
        <PixelsField label="Height" value={size.height} onChange={(height) => set({ height })} />
      )}
      {size !== null && size !== 'frame' && 'longest' in size && (
        <PixelsField label="Longer side" value={size.longest} onChange={(longest) => set({ longest })} />
      )}
      {size !== null && size !== 'frame' && 'width' in size && (
        <>
          <NumberField
            label="Width"
            value={size.width}
            min={0.1}
            max={5000}
            unit={size.unit}
            onChange={(next) => set({ ...size, width: next })}
          />
          <NumberField
            label="Resolution"
            value={size.ppi}
            min={1}
            max={2400}
            unit="ppi"
            onChange={(ppi) => set({ ...size, ppi })}
          />
        </>
      )}
      <div className="field">
        <span className="label">Makes</span>
        <span>
          {width} × {outputHeight(picture, width)} px
        </span>
      </div>
    </>
  );
}
