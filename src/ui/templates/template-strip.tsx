'use client';
import { ratioOf, type Template } from '@/core/template';
import type { StripPhoto } from '@/server/services';
import { CutoutCanvas } from '../shared/cutout-canvas';
import { ShapePicture } from '../shapes/shape-picture';
import { cutoutsOf } from './cutouts-of';

/** Room of a picture, CSS pixels. */
const [WIDE, HIGH] = [84, 84];

type TemplateStripProps = {
  readonly template: Template;
  readonly photos: readonly StripPhoto[];
  /** The batch that they are of, for captions. */
  readonly batch: string;
};

/** What a template makes of some photos; its shape where there are none. */
export function TemplateStrip({ template, photos, batch }: TemplateStripProps) {
  const ratio = ratioOf(template);
  const shown = cutoutsOf(template, photos, batch);
  return (
    <div className="strip ground">
      {shown.map((photo) => (
        <CutoutCanvas
          key={photo.id}
          template={template}
          photo={photo}
          cssWidth={Math.min(WIDE, HIGH / ratio)}
          label=""
        />
      ))}
      {shown.length === 0 && <ShapePicture shape={template.shape} size={72} />}
    </div>
  );
}
