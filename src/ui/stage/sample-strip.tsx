'use client';
import { ratioOf, type Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';
import { usePainter } from '../wall/use-painter';

/** Width of a sample, CSS pixels. */
const SIZE = 76;
const COUNT = 9;

/** Photos that differ most in their proportions, evenly from the tallest to the widest. */
export function mostDifferent(photos: readonly PhotoRow[]): readonly PhotoRow[] {
  if (photos.length <= COUNT) return photos;
  const sorted = [...photos].sort((a, b) => a.width / a.height - b.width / b.height || a.id - b.id);
  return Array.from({ length: COUNT }, (_, i) => sorted[Math.round((i * (sorted.length - 1)) / (COUNT - 1))]!);
}

type SampleStripProps = {
  readonly template: Template;
  readonly samples: readonly PhotoRow[];
  readonly chosen: number;
  readonly onChoose: (i: number) => void;
};

/** Sample photos under the same template, following every change. */
export function SampleStrip({ template, samples, chosen, onChoose }: SampleStripProps) {
  const ratio = ratioOf(template);
  const width = Math.round(Math.min(SIZE, SIZE / ratio));
  const { register } = usePainter(template, Math.round(width * window.devicePixelRatio), samples);
  return (
    <div className="stage-strip" role="group" aria-label="Sample photos">
      {samples.map((photo, i) => (
        <button
          key={photo.id}
          type="button"
          aria-pressed={i === chosen}
          aria-label={`Show ${photo.name} on the stage`}
          title={photo.name}
          onClick={() => onChoose(i)}
        >
          <canvas
            ref={register(photo.id)}
            data-photo={photo.id}
            data-picture={photo.sha256}
            width={1}
            height={1}
            style={{ width, height: Math.round(width * ratio) }}
          />
        </button>
      ))}
    </div>
  );
}
