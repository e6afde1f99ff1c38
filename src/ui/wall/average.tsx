'use client';
import { memo, useMemo } from 'react';
import { photoBox, pictureOf, ratioOf, slotTemplates, type Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';
import type { PhotoFindings } from '../checks/photo-findings';
import { amount, plural } from '../shared/words';
import { Guides } from './guides';
import { groundStyle, type Ground } from './ground-picker';
import { useAverage, WIDTH } from './use-average';

type DotsProps = { readonly photos: readonly PhotoRow[]; readonly findings: PhotoFindings; readonly radius: number };

/** Each subject's centre: drawn once, however often a few cutouts more are averaged. */
const Dots = memo(function Dots({ photos, findings, radius }: DotsProps) {
  return photos.map(({ id }) => {
    const subject = findings.placed.get(id)?.subject;
    return subject && <circle key={id} className="dot" cx={subject.x} cy={subject.y} r={radius} />;
  });
});

type AverageProps = {
  readonly template: Template;
  readonly photos: readonly PhotoRow[];
  readonly findings: PhotoFindings;
  readonly ground: Ground;
};

/** All cutouts averaged into one picture: what sits alike stays sharp. Starts anew with every change of the template. */
export function Average({ template, photos, findings, ground }: AverageProps) {
  const taken = useMemo(() => photos.filter(({ review }) => review !== 'out'), [photos]);
  const { canvas, done } = useAverage(template, taken);
  const ratio = ratioOf(template);
  const { left, top, width: across, height: down } = pictureOf(template);
  const room = photoBox(template);
  const side = Math.max(room.width, room.height);
  return (
    <div className="wall-scroll ground average" data-ground={ground} style={groundStyle(ground)}>
      <figure>
        <div className="picture" style={{ width: WIDTH, height: WIDTH * ratio }}>
          <canvas ref={canvas} width={1} height={1} role="img" aria-label={`Average of ${done} cutouts`} />
          {slotTemplates(template).map((one, slot) => (
            <Guides key={slot} template={one} placed={undefined} />
          ))}
          <svg className="guides" viewBox={`${left} ${top} ${across} ${down}`} aria-hidden>
            <Dots photos={taken} findings={findings} radius={0.006 * side} />
          </svg>
        </div>
        <figcaption>
          {done < taken.length
            ? `${amount(done)} of ${amount(taken.length)} averaged…`
            : `${plural(done, 'cutout')} averaged.`}{' '}
          What sits alike stays sharp; each dot is a subject’s centre, the ring is the tolerance.
        </figcaption>
      </figure>
    </div>
  );
}
