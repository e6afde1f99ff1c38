'use client';
import { useMemo } from 'react';
import { Button } from 'react-bootstrap';
import { cornersOf, type Place } from '@/core/layers';
import { isConvex } from '@/core/pictures';
import { fourCorners, outlineOf } from '@/core/shape';
import { roundedLengthIn, type Template } from '@/core/template';
import { ChoiceField } from '../shared/choice-field';
import { NumberField } from '../shared/number-field';

type BoxFieldProps = {
  readonly label: string;
  readonly box: Place | null;
  readonly template: Pick<Template, 'frame' | 'shape'>;
  /** True where it can't be bent. */
  readonly isUpright: boolean;
  readonly onChange: (box: Place | null) => void;
  readonly onDrag: (active: boolean) => void;
};

type Box = Exclude<Place, { corners: unknown }>;
type Corners = Extract<Place, { corners: unknown }>['corners'];

/** A fifth of the frame's shorter side in its right lower corner: where a maker's mark is mostly wanted. */
function freshBox({ width, height, unit }: Template['frame']): Box {
  const side = roundedLengthIn(unit)(Math.min(width, height) / 5);
  return { cx: width - side * 0.75, cy: height - side * 0.75, width: side, height: side };
}

/** The box around a place. */
function boxAround(place: Place): Box {
  if (!('corners' in place)) return place;
  const [xs, ys] = [place.corners.map(([x]) => x), place.corners.map(([, y]) => y)];
  const [l, t, r, b] = [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
  return { cx: (l + r) / 2, cy: (t + b) / 2, width: r - l, height: b - t };
}

type Kind = 'all' | 'box' | 'corners';
const UPRIGHT = { all: 'all over', box: 'in a box' } as Readonly<Record<Kind, string>>;
const PLACES: Readonly<Record<Kind, string>> = { ...UPRIGHT, corners: 'bent' };

const CORNERS = ['left top', 'right top', 'right bottom', 'left bottom'] as const;

/** Where in the frame a layer lies: all over, in a box of its own, or bent to four corners. */
export function BoxField({ label, box: given, template, isUpright, onChange, onDrag }: BoxFieldProps) {
  const box = given && isUpright ? boxAround(given) : given;
  const { frame, shape } = template;
  const own = useMemo(() => fourCorners(outlineOf(shape)), [shape]);
  const common = { max: 100_000, unit: frame.unit, onDrag };
  const [across, down] = [[0, frame.width] as const, [0, frame.height] as const];
  const side = (of: keyof Box, words: string, slider: readonly [number, number], min: number) => (
    <NumberField
      {...common}
      label={words}
      value={(box as Box)[of]}
      min={min}
      slider={slider}
      onChange={(v) => onChange({ ...(box as Box), [of]: v })}
    />
  );
  const coordinate = (corners: Corners, k: number, axis: 0 | 1) => (
    <NumberField
      {...common}
      label={axis === 0 ? 'Across' : 'Down'}
      value={corners[k]![axis]}
      min={-100_000}
      slider={axis === 0 ? across : down}
      onChange={(v) => {
        const moved = corners.map((at, i) => (i !== k ? at : axis === 0 ? [v, at[1]] : [at[0], v]));
        // What crosses itself is no picture any more.
        if (isConvex(moved as unknown as Corners)) onChange({ corners: moved as unknown as Corners });
      }}
    />
  );
  const kind = !box ? 'all' : 'corners' in box ? 'corners' : 'box';
  return (
    <>
      <ChoiceField
        label={label}
        value={kind}
        options={isUpright ? UPRIGHT : PLACES}
        onChange={(v) => {
          const fresh = box ? boxAround(box) : freshBox(frame);
          onChange(v === 'all' ? null : v === 'box' ? fresh : { corners: cornersOf(fresh) });
        }}
      />
      {box && !('corners' in box) && (
        <>
          {side('cx', 'Across', across, -100_000)}
          {side('cy', 'Down', down, -100_000)}
          {side('width', 'Width', [1, frame.width], 0.01)}
          {side('height', 'Height', [1, frame.height], 0.01)}
        </>
      )}
      {kind === 'corners' && own && isConvex(own) && (
        <Button variant="quiet" onClick={() => onChange({ corners: own as unknown as Corners })}>
          Bend it to the shape’s corners
        </Button>
      )}
      {box &&
        'corners' in box &&
        CORNERS.map((words, k) => (
          <fieldset key={k}>
            <legend className="muted small-text">{`Its ${words} corner`}</legend>
            {coordinate(box.corners, k, 0)}
            {coordinate(box.corners, k, 1)}
          </fieldset>
        ))}
    </>
  );
}
