'use client';
import { pictureOf, ratioOf, type Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';
import { pixelsOf, useDensity } from '../shared/pixels';
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
  const { drawn, room } = pixelsOf(pictureOf(template), Math.min(SIZE, SIZE / ratio), useDensity());
  const { register } = usePainter(template, drawn, samples);
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
            style={room}
          />
        </button>
      ))}
    </div>
  );
}
