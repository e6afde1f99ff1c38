'use client';
import { useEffect, useMemo, useRef, useState } from 'react';
import { ratioOf, type Template } from '@/core/template';
import type { PreviewPhoto } from '@/preview';
import { previewPool } from '../shared/preview';
import { paint } from '../shared/paint';
import { plural } from '../shared/words';
import { differing, differenceOf, type Pair } from './difference';

/** Width of the small and the large pictures, pixels. */
const [SMALL, LARGE] = [150, 400];

type Drawing = { readonly pixels: Uint8ClampedArray<ArrayBuffer>; readonly width: number; readonly height: number };

function Picture({ drawn, label }: { readonly drawn: Drawing; readonly label: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    if (canvas.current) paint(canvas.current, { id: 0, ...drawn });
  }, [drawn]);
  return <canvas ref={canvas} width={1} height={1} role="img" aria-label={label} />;
}

/** Both cutouts of every photo, drawn through either template. */
function usePairs(before: Template, after: Template, photos: readonly PreviewPhoto[], width: number) {
  const [pairs, setPairs] = useState<readonly Pair<Drawing>[] | null>(null);
  useEffect(() => {
    let current = true;
    void Promise.all([before, after].map((template) => previewPool().draw(template, width, photos))).then(([a, b]) => {
      if (!current) return;
      setPairs(
        photos.flatMap((photo) => {
          const [one, other] = [a!, b!].map((list) => list.find(({ id }) => id === photo.id));
          if (!one || !other || !('pixels' in one) || !('pixels' in other)) return [];
          return [{ id: photo.id, before: one, after: other, by: differenceOf(one, other) }];
        }),
      );
    });
    return () => {
      current = false;
    };
  }, [before, after, photos, width]);
  return pairs;
}

/** One photo through both, laid over each other: left of the line as it was, right of it as it is. */
function Overlay({
  before,
  after,
  photo,
}: {
  readonly before: Template;
  readonly after: Template;
  readonly photo: PreviewPhoto;
}) {
  const one = useMemo(() => [photo], [photo]);
  const pairs = usePairs(before, after, one, LARGE);
  const [at, setAt] = useState(50);
  const pair = pairs?.[0];
  if (!pair) return null;
  return (
    <div className="overlay">
      <div
        className="both ground"
        style={{ width: LARGE, height: Math.round(LARGE * Math.max(ratioOf(before), ratioOf(after))) }}
      >
        <div style={{ clipPath: `inset(0 ${100 - at}% 0 0)` }}>
          <Picture drawn={pair.before} label="as it was" />
        </div>
        <div style={{ clipPath: `inset(0 0 0 ${at}%)` }}>
          <Picture drawn={pair.after} label="as it is" />
        </div>
        <span className="line" style={{ left: `${at}%` }} />
      </div>
      <input
        type="range"
        className="form-range"
        style={{ width: LARGE }}
        aria-label="How much is shown as it was, %"
        min={0}
        max={100}
        value={at}
        onChange={(event) => setAt(Number(event.target.value))}
      />
    </div>
  );
}

type CompareProps = { readonly before: Template; readonly after: Template; readonly photos: readonly PreviewPhoto[] };

/** The same photos through two templates: only those whose pixels differ, the most different first. */
export function Compare({ before, after, photos }: CompareProps) {
  const pairs = usePairs(before, after, photos, SMALL);
  const [chosen, setChosen] = useState<number | null>(null);
  if (photos.length === 0) return <p className="muted">There are no photos yet to compare them on.</p>;
  if (!pairs) return <p className="muted">Drawing both…</p>;
  const differ = differing(pairs);
  const shown = photos.find(({ id }) => id === (chosen ?? differ[0]?.id));
  return (
    <>
      <p className="small-text" role="status">
        {differ.length === 0
          ? `No difference on ${plural(pairs.length, 'cutout')}.`
          : `${differ.length} of ${plural(pairs.length, 'cutout')} differ.`}
      </p>
      <div className="compared">
        {shown && differ.length > 0 && <Overlay before={before} after={after} photo={shown} />}
        <div className="pairs">
          {differ.map(({ id, before: a, after: b }) => (
            <button
              key={id}
              type="button"
              className="pair ground"
              aria-pressed={id === shown?.id}
              onClick={() => setChosen(id)}
            >
              <Picture drawn={a} label="as it was" />
              <Picture drawn={b} label="as it is" />
            </button>
          ))}
        </div>
      </div>
    </>
  );
}
