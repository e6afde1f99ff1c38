'use client';
import { useMemo, useState } from 'react';
import { areaShare, measureOutline, type Outline } from '@/core/shape';
import { thinnest, tooThin } from '@/core/checks';
import { templateOutline, type Template } from '@/core/template';
import { FindingMark } from '../shared/finding-mark';
import { amount } from '../shared/words';

const number = (v: number) => amount(Math.round(v * 100) / 100);

function Measures({ outline, template }: { outline: Outline; template: Template }) {
  const { unit } = template.frame;
  const { area, perimeter, bounds, centroid, visualCentre } = useMemo(() => measureOutline(outline), [outline]);
  const thin = useMemo(() => thinnest(template), [template]);
  const short = useMemo(() => tooThin(template), [template]);
  const at = ([x, y]: readonly [number, number]) => `${number(x)}, ${number(y)}`;
  const rows: readonly (readonly [string, string])[] = [
    ['Area', `${number(area)} ${unit}²`],
    ['Outline', `${number(perimeter)} ${unit}`],
    ['Takes up', `${number(bounds[2] - bounds[0])} × ${number(bounds[3] - bounds[1])} ${unit}`],
    ['Centre of area', at(centroid)],
    ['Visual centre', at(visualCentre)],
    ['Thinnest part', thin ? `${number(thin.width)} ${unit} at ${at(thin.at)}` : 'too intricate to tell'],
  ];
  return (
    <>
      <dl className="measures small-text">
        {rows.map(([name, value]) => (
          <div key={name}>
            <dt className="muted">{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
      {short && short.short > 0 && (
        <p className="small-text mb-1" role="status">
          <FindingMark />
          The {short.what} {short.what === 'border' ? 'fills' : 'washes out'} the thinnest part, {number(short.width)}{' '}
          {unit} wide at {at(short.at)}. To mend it, make the {short.what}{' '}
          {short.what === 'border' ? 'narrower' : 'shorter'} or lay it outside.
        </p>
      )}
    </>
  );
}

/** What a shape measures. Worked out only while it is open: the thinnest part takes a moment. */
export function ShapeMeasures({ template }: { template: Template }) {
  const { shape, edge, frame } = template;
  const [open, setOpen] = useState(false);
  const outline = useMemo(() => templateOutline({ shape, edge }), [shape, edge]);
  return (
    <details className="small-text mt-1" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="muted">Covers {Math.round(areaShare(outline, frame) * 1000) / 10} % of the frame</summary>
      {open && <Measures outline={outline} template={template} />}
    </details>
  );
}
