'use client';
import { useEffect, useRef, useState } from 'react';
import { photoBox, pictureOf, ratioOf, slotTemplates, type Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';
import type { PhotoFindings } from '../checks/photo-findings';
import { previewPool } from '../shared/preview';
import { amount, plural } from '../shared/words';
import { Guides } from './guides';
import { groundStyle, type Ground } from './ground-picker';

/** Width of the averaged picture, pixels. */
const WIDTH = 420;
/** Of more cutouts than this, each is drawn half as large: the mean of many is soft anyway, and four times as quick. */
const MANY = 300;
/** Cutouts drawn at a time. */
const CHUNK = 16;

/** Sums of premultiplied pixels, turned into their mean as straight RGBA. */
function meanOf(sums: Float64Array, n: number): Uint8ClampedArray<ArrayBuffer> {
  const out = new Uint8ClampedArray(sums.length);
  for (let k = 0; k < sums.length; k += 4) {
    const alpha = sums[k + 3]!;
    if (alpha === 0) continue;
    for (let c = 0; c < 3; c++) out[k + c] = (sums[k + c]! / alpha) * 255;
    out[k + 3] = alpha / n;
  }
  return out;
}

type AverageProps = {
  readonly template: Template;
  readonly photos: readonly PhotoRow[];
  readonly findings: PhotoFindings;
  readonly ground: Ground;
};

/** All cutouts averaged into one picture: what sits alike stays sharp. Starts anew with every change of the template. */
export function Average({ template, photos, findings, ground }: AverageProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [done, setDone] = useState(0);
  const taken = photos.filter(({ review }) => review !== 'out');
  const key = taken.map(({ id }) => id).join();
  const wanted = useRef(taken);
  useEffect(() => {
    wanted.current = taken;
  });
  useEffect(() => {
    let current = true;
    const run = async () => {
      const list = wanted.current;
      let sums: Float64Array | null = null;
      let n = 0;
      const size = list.length > MANY ? WIDTH / 2 : WIDTH;
      for (let i = 0; i < list.length && current; i += CHUNK) {
        for (const drawn of await previewPool().draw(template, size, list.slice(i, i + CHUNK))) {
          if (!('pixels' in drawn)) continue;
          const { pixels, width, height } = drawn;
          sums ??= new Float64Array(pixels.length);
          for (let k = 0; k < pixels.length; k += 4) {
            const alpha = pixels[k + 3]!;
            for (let c = 0; c < 3; c++) sums[k + c]! += (pixels[k + c]! * alpha) / 255;
            sums[k + 3]! += alpha;
          }
          n++;
          if (canvas.current && canvas.current.width !== width) Object.assign(canvas.current, { width, height });
        }
        if (!current || !sums || !canvas.current) return;
        const { width, height } = canvas.current;
        canvas.current.getContext('2d')!.putImageData(new ImageData(meanOf(sums, n), width, height), 0, 0);
        canvas.current.dataset.averaged = String(n);
        setDone(n);
      }
    };
    void run();
    return () => {
      current = false;
    };
  }, [template, key]);
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
            {taken.map(({ id }) => {
              const subject = findings.placed.get(id)?.subject;
              return subject && <circle key={id} className="dot" cx={subject.x} cy={subject.y} r={0.006 * side} />;
            })}
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
